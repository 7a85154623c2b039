import { tasteLeaning } from '../diagnosis/taste.ts'
import { faultShift } from '../reading/faultTimes.ts'
import type { Readings } from '../reading/types.ts'
import type { Recipe, TasteTargets } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { isHeldBack, isMarkedLate, leastTimeS } from '../shot/firstDrop.ts'
import { timeAtTarget } from '../shot/timeAtTarget.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { CameOut, GrindSeen, SessionShot } from './types.ts'

/** Where and when a shot was pulled, as dialling in looks at it. */
export type PulledAt = Pick<
  GrindSeen,
  'coffeeId' | 'basketId' | 'daysAgo' | 'setting' | 'innerBurrAt' | 'isDialIn'
>

/** A dose that was off is corrected for; a part of that correction is a guess. */
const DOSE_GUESS_SD = 0.05

/**
 * What one shot tells of its grinder under a recipe; null where that recipe's clock is another one than its own.
 * @param recipe the one to dial in, with its own dose and yield, whatever this shot was meant to be
 */
export function grindSeen(readings: Readings, recipe: Recipe, where: PulledAt): GrindSeen | null {
  const { facts, recipe: its } = readings.of
  if (its.clock !== recipe.clock) return null
  const { shift, sd } = effectOfFaults(readings)
  const time = timeOf(readings, recipe)
  return {
    ...where,
    doseG: readings.dose.judged ? readings.dose.value : (facts.wanted?.doseG ?? null),
    timeS: time.timeS,
    bound: time.bound,
    shiftLn: shift,
    spreadLn: Math.hypot(sd, time.spreadLn),
  }
}

/**
 * One shot of the dial-in under way.
 * @param tasters who of those to be trusted tasted it
 */
export function sessionShot(
  readings: Readings,
  recipe: Recipe,
  where: PulledAt,
  tasters: readonly string[],
): SessionShot | null {
  const seen = grindSeen(readings, recipe, where)
  if (seen === null) return null
  const { wanted, taste } = readings.of.facts
  const leaning = tasteLeaning(readings)
  return {
    ...seen,
    doseWantedG: wanted?.doseG ?? null,
    yieldWantedG: wanted?.yieldG ?? null,
    cameOut: cameOut(readings),
    isGated: readings.gate.faults.some((fault) => fault !== 'tamp-slightly-tilted'),
    leaning,
    taste: leaning === null ? null : targetsOf(taste),
    tasters: leaning === null ? [] : tasters,
  }
}

function targetsOf({ sour, sweet, bitter }: ShotFacts['taste']): TasteTargets | null {
  return sour === null || sweet === null || bitter === null ? null : { sour, sweet, bitter }
}

/** A time counts with its yield on or near; a cup that nobody weighed is taken to be as usual. */
function cameOut({ flow, time, yield: cup, timeAtTarget: at, of: { recipe } }: Readings): CameOut {
  switch (flow.state) {
    case 'choking':
      return 'choked'
    case 'gushing':
      return 'gushed'
    case 'fast':
    case 'slow':
      return flow.state
    case 'on':
      return time.judged && !(cup.judged && cup.standing === 'off') ? 'in-window' : 'unknown'
    case 'unknown':
      return at.kind === 'between' && at.why === 'cup-not-weighed' ? against(middleS(at), recipe) : 'unknown'
  }
}

function against(s: number, { timeMinS, timeMaxS }: Recipe): CameOut {
  if (s < timeMinS) return 'fast'
  return s > timeMaxS ? 'slow' : 'in-window'
}

function middleS({ fromS, toS }: { fromS: number; toS: number }): number {
  return Math.sqrt(Math.max(fromS, 1) * toS)
}

interface Timed {
  timeS: number | null
  bound: GrindSeen['bound']
  spreadLn: number
}

function timeOf({ flow, of: { facts } }: Readings, recipe: Recipe): Timed {
  const time = timeAtTarget(facts, recipe)
  const plain = (timeS: number | null, bound: Timed['bound'] = null): Timed => ({ timeS, bound, spreadLn: 0 })
  const firstDropS = facts.clock?.firstDropS ?? 0
  if (isMarkedLate(facts, recipe)) return plain(null)
  // What ran after a puck broke open, or dripped at last, is no time that the setting makes.
  if (
    flow.state === 'choking' &&
    isHeldBack(firstDropS, recipe) &&
    !(time.kind === 'known' && time.s > recipe.timeMaxS)
  )
    return plain(leastTimeS(firstDropS, recipe), 'at-least')
  switch (time.kind) {
    case 'known':
      return { timeS: time.s, bound: null, spreadLn: time.yieldLnSd }
    case 'at-least':
    case 'at-most':
      return plain(time.s, time.kind)
    case 'no-drop':
      return time.pumpS > recipe.firstDropMaxS
        ? plain(leastTimeS(time.pumpS, recipe), 'at-least')
        : plain(null)
    case 'between':
      // Stopped as usual it ended about the usual yield: the stated factor is taken as two spreads.
      return time.why === 'cup-not-weighed'
        ? { timeS: middleS(time), bound: null, spreadLn: Math.log(THRESHOLDS.unweighedCupFactor) / 2 }
        : plain(null)
    case 'unknown':
      return plain(null)
  }
}

/** A fault that was seen moves the time by about half of the most it is known to, give or take as much. */
function effectOfFaults({ gate, dose, of }: Readings): { shift: number; sd: number } {
  const effects = gate.faults.map((fault) => {
    if (fault === 'dose-low' || fault === 'dose-high') return { shift: 0, sd: DOSE_GUESS_SD }
    const { slower, faster } = faultShift(fault, dose, of.context.grindMoved)
    return { shift: (slower - faster) / 2, sd: (slower + faster) / 2 }
  })
  return {
    shift: effects.reduce((sum, { shift }) => sum + shift, 0),
    sd: Math.sqrt(effects.reduce((sum, { sd }) => sum + sd * sd, 0)),
  }
}
