import type { Abandonment, Puck, ShotFacts, Side, Stream, TasteAxis, Tilt, UnitOf } from '@calm-apron/core'
import { unknownFacts } from '@calm-apron/core'

export const BAR_STEPS = ['ready', 'dose', 'tamp', 'pull', 'cup', 'look', 'taste'] as const
export type BarStep = (typeof BAR_STEPS)[number]

/** A weight as it is being typed. */
export interface WeighingEntry {
  way: 'gross' | 'net'
  netText: string
  grossText: string
  tareText: string
  vesselId: string | null
}

/** A clock as it is being marked; the texts are s from pump start and can be mended by hand. */
export interface ClockEntry {
  /** Monotonic ms since the epoch at which the pump started; null until it did. */
  startedAtMs: number | null
  firstDropText: string
  stopText: string
  /** What is known of a first drop that wasn't marked. */
  unmarkedDrop: 'missed' | 'none' | null
  estimated: boolean
}

export const GATE_QUESTIONS = ['machineHot', 'basketDry', 'rightBasket', 'grinderPurged', 'bedEven'] as const
export type GateQuestion = (typeof GATE_QUESTIONS)[number]

/** A shot while it is being entered, exactly as typed, so that nothing is lost by a reload. */
export interface ShotDraft {
  shotId: string
  personId: string
  recipeRevisionId: string
  barId: string
  grinderId: string | null
  bagId: string | null
  madeAt: string
  /** Set when this draft corrects a recorded shot. */
  correcting: { basedOnNo: number; reason: string } | null
  massUnit: UnitOf<'mass'>
  step: BarStep
  grindText: string
  gate: Record<GateQuestion, boolean | null>
  dose: WeighingEntry
  tamp: { tilt: Tilt | null; lowSide: Side | null; settled: boolean | null }
  clock: ClockEntry
  cup: WeighingEntry
  abandoned: Abandonment | null
  taste: Record<TasteAxis, number | null>
  look: { stream: Stream | null; puck: Puck | null }
}

export type DraftSetting = Pick<
  ShotDraft,
  | 'shotId'
  | 'personId'
  | 'recipeRevisionId'
  | 'barId'
  | 'grinderId'
  | 'bagId'
  | 'madeAt'
  | 'massUnit'
  | 'correcting'
>

/** A draft that holds what the facts say; of a new shot they say nothing. */
export function draftOf(
  setting: DraftSetting,
  facts: ShotFacts = unknownFacts(),
  toText: (g: number) => string = String,
): ShotDraft {
  const { machineHot, basketDry, rightBasket, grinderPurged, bedEven, clock } = facts
  return {
    ...setting,
    step: 'ready',
    grindText: facts.grindSetting === null ? '' : String(facts.grindSetting),
    gate: { machineHot, basketDry, rightBasket, grinderPurged, bedEven },
    dose: entryOf(facts.dose, toText),
    tamp: { ...facts.tamp },
    clock: {
      startedAtMs: null,
      firstDropText: clock?.firstDropS == null ? '' : String(clock.firstDropS),
      stopText: clock === null ? '' : String(clock.stopS),
      unmarkedDrop: clock === null || clock.firstDrop === 'marked' ? null : clock.firstDrop,
      estimated: clock?.estimated ?? false,
    },
    cup: entryOf(facts.cup, toText),
    abandoned: facts.abandoned,
    taste: { ...facts.taste },
    look: { ...facts.look },
  }
}

function entryOf(weighing: ShotFacts['dose'], toText: (g: number) => string): WeighingEntry {
  const empty: WeighingEntry = { way: 'gross', netText: '', grossText: '', tareText: '', vesselId: null }
  if (weighing === null) return empty
  if (weighing.by === 'net') return { ...empty, way: 'net', netText: toText(weighing.netG) }
  return {
    ...empty,
    grossText: toText(weighing.grossG),
    tareText: toText(weighing.tareG),
    vesselId: weighing.vesselId,
  }
}
