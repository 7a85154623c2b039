import {
  type SetShot,
  type ReadingKind,
  READING_KINDS,
  type RunShot,
  readShot,
  serveScore,
} from '@calm-apron/core'
import type { Seeded } from '@calm-apron/core/bench'
import { PUMP_RECIPE, carefulShot, taste } from '@calm-apron/core/testing'
import { spreadFor } from '../skill/spreadFor.ts'

/** How truly somebody is on in each reading after so many shots, 0–1. */
export type Ability = (shots: number) => Record<ReadingKind, number>

/** Somebody of known ability. */
export interface Trainee {
  kind: string
  ability: Ability
  /** Chance that a call is right, and that a safety step is left out. */
  callsRight: number
  leavesOut: number
}

const everywhere = (share: number): Record<ReadingKind, number> => ({
  dose: share,
  tamp: share,
  yield: share,
  time: share,
  taste: share,
})

/** How much of each kind there is in the mix that is measured. */
export const MIX: readonly { share: number; make: (chance: Seeded) => Trainee }[] = [
  { share: 0.3, make: () => of('steady', () => everywhere(0.96)) },
  { share: 0.1, make: () => of('steady, not quite', () => everywhere(0.85)) },
  {
    share: 0.25,
    make: () => of('learning', (shots) => everywhere(0.96 - 0.5 * 2 ** (-shots / 25))),
  },
  // As good as any until they are presented, and not any more.
  { share: 0.1, make: () => of('lapsing', (shots) => everywhere(shots < 40 ? 0.95 : 0.78)) },
  { share: 0.1, make: () => of('lucky', () => everywhere(0.6)) },
  {
    share: 0.15,
    make: (chance) => {
      const weak = chance.pick(READING_KINDS)
      const at = chance.pick([0.7, 0.55])
      return of('one reading weak', () => ({ ...everywhere(0.96), [weak]: at }))
    },
  },
]

function of(kind: string, ability: Ability): Trainee {
  return { kind, ability, callsRight: 0.9, leavesOut: 0.002 }
}

/** Deviations beside which the bar was, in tolerances of the time. */
export interface Drift {
  timeOff: number
}

const T0_MS = Date.parse('2026-01-05T09:00:00Z')
const [MS_PER_DAY, MS_PER_MINUTE] = [86_400_000, 60_000]
/** The middle of the window, and half of it. */
const [MID_S, HALF_S] = [
  (PUMP_RECIPE.timeMinS + PUMP_RECIPE.timeMaxS) / 2,
  (PUMP_RECIPE.timeMaxS - PUMP_RECIPE.timeMinS) / 2,
]

/** Which shot it is: of which day, and as what. */
export interface Pulled {
  no: number
  day: number
  purpose: RunShot['context']['purpose']
  isTrainers?: boolean
}

/** One shot as it would have been noted, and read by the app. */
export function shotOf(
  ability: Record<ReadingKind, number>,
  { callsRight, leavesOut }: Pick<Trainee, 'callsRight' | 'leavesOut'>,
  { no, day, purpose, isTrainers = false }: Pulled,
  { timeOff }: Drift,
  chance: Seeded,
): RunShot & SetShot {
  const off = (kind: ReadingKind) => chance.normal(0, spreadAt(ability[kind]))
  const cupG = 36 + PUMP_RECIPE.yieldToleranceG * off('yield')
  const [firstDropS, aimS] = [7, MID_S + HALF_S * (off('time') + timeOff)]
  const tilt = Math.abs(off('tamp'))
  const lean = PUMP_RECIPE.tasteTolerance * off('taste')
  const isLeftOut = chance.chance(leavesOut)
  const facts = carefulShot(
    {
      doseG: 18 + PUMP_RECIPE.doseToleranceG * off('dose'),
      firstDropS,
      // Stopped at this cup it had run on target at the second aimed at.
      stopS: firstDropS + ((aimS - firstDropS) * cupG) / PUMP_RECIPE.yieldG,
      cupG,
    },
    {
      tamp: { tilt: tilt <= 1 ? 'level' : tilt <= 2 ? 'slight' : 'clear', lowSide: null, settled: true },
      taste: taste(clamped(3 + Math.max(0, lean)), 7, clamped(3 + Math.max(0, -lean))),
    },
  )
  const readings = readShot(facts, PUMP_RECIPE)
  const isRight = chance.chance(callsRight)
  return {
    shotId: `${isTrainers ? 't' : 's'}${no}`,
    personId: isTrainers ? 'trainer' : 'trainee',
    pulledAt: new Date(T0_MS + day * MS_PER_DAY + (no % 100) * 4 * MS_PER_MINUTE).toISOString(),
    day: `day ${day}`,
    bagId: `bag ${Math.floor(day / 9)}`,
    family: { by: 'mass', basketId: null },
    readings,
    context: { purpose, grindOwner: 'trainee', isReferenceOff: false },
    isHelped: no < 3,
    callScore: purpose === 'assessment' || no % 3 === 0 ? (isRight ? 1 : 0) : null,
    calledAs: null,
    isServeRight: serveScore(readings),
    steps: {
      stepsDone: isLeftOut ? [] : ['flush'],
      stepsPrompted: [],
      stepsMissed: isLeftOut ? ['flush'] : [],
    },
    lock: null,
  }
}

/** To look for it takes long; a thousandth more or less is nothing to a shot. */
const spreads = new Map<number, number>()
function spreadAt(share: number): number {
  const key = Math.round(share * 1000)
  const known = spreads.get(key) ?? spreadFor(key / 1000)
  spreads.set(key, known)
  return known
}

const clamped = (value: number) => Math.min(10, Math.max(0, value))
