import { SHOT_BY_ITSELF, type ShotInput } from '@calm-apron/contract'
import type {
  Abandonment,
  FaultShown,
  Puck,
  ShotFacts,
  ShotNotes,
  ShotWanted,
  Side,
  Stream,
  TasteAxis,
  Tilt,
  UnitOf,
} from '@calm-apron/core'
import { FAULTS_SHOWN, noNotes, unknownFacts } from '@calm-apron/core'

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
  /** When a pre-infusion held by hand was released. */
  releaseText: string
  firstDropText: string
  stopText: string
  lastDripText: string
  /** What is known of a first drop that wasn't marked. */
  unmarkedDrop: 'missed' | 'none' | null
  estimated: boolean
  /** Seconds of this clock in one of life: as the stand-in that drives it runs. */
  pace: number
}

/** What is typed as a number beside the rest; empty is not known. */
export interface ExtraTexts {
  beans: string
  force: string
  cupMl: string
  secondCup: string
  prediction: string
}

/** A photo until it is sent. */
export interface DraftPhoto {
  photoId: string
  picture: string
  takenAt: string
}

export const GATE_QUESTIONS = [
  'machineHot',
  'basketDry',
  'basketClean',
  'rightBasket',
  'grinderPurged',
  'bedEven',
] as const
export type GateQuestion = (typeof GATE_QUESTIONS)[number]

/** Who pulls what with what, as a shot is recorded with it. */
export type ShotSetting = Omit<ShotInput, 'judgedBy' | 'pulledAt' | 'facts' | 'series' | 'note'>

/** A shot while it is being entered, exactly as typed, so that nothing is lost by a reload. */
export interface ShotDraft extends ShotSetting {
  shotId: string
  madeAt: string
  /** Set when this draft corrects a recorded shot. */
  correcting: { basedOnNo: number; reason: string } | null
  massUnit: UnitOf<'mass'>
  /** The facts that it was filled with, of which the texts show less; left out of a new shot. */
  filledWith?: ShotFacts
  routineId: string | null
  step: BarStep
  grindText: string
  /** What it is meant to be where dialling in took it off its recipe; left out or null where it is the recipe's own. */
  wanted?: ShotWanted | null
  gate: Record<GateQuestion, boolean | null>
  dose: WeighingEntry
  tamp: { tilt: Tilt | null; lowSide: Side | null; settled: boolean | null }
  clock: ClockEntry
  cup: WeighingEntry
  abandoned: Abandonment | null
  taste: Record<TasteAxis, number | null>
  look: { stream: Stream | null; puck: Puck | null }
  extra: ExtraTexts
  noted: ShotNotes
  note: string
  photos: DraftPhoto[]
  /** Monotonic ms at which the portafilter was locked in. */
  lockedInAtMs: number | null
}

/** Which fault a shot shows that is pulled to show one: the first of the list until another is chosen. */
export function faultShownOf({ faultShown }: Pick<ShotDraft, 'faultShown'>): FaultShown {
  return faultShown ?? FAULTS_SHOWN[0]
}

export type DraftSetting = ShotSetting &
  Pick<ShotDraft, 'shotId' | 'madeAt' | 'massUnit' | 'correcting'> & {
    routineId?: string | null
    note?: string
  }

/** A draft that is filled with what a record says; of a new shot there is none. */
export function draftOf(
  setting: DraftSetting,
  recorded: ShotFacts | null = null,
  toText: (g: number) => string = String,
): ShotDraft {
  const facts = recorded ?? unknownFacts()
  const { clock, measured } = facts
  const noted = { ...noNotes(), ...facts.noted }
  return {
    ...(recorded !== null && { filledWith: recorded }),
    routineId: null,
    note: '',
    ...setting,
    step: 'ready',
    grindText: textOf(facts.grindSetting),
    wanted: facts.wanted ?? null,
    gate: gateAnswers(facts),
    dose: entryOf(facts.dose, toText),
    tamp: { ...facts.tamp },
    clock: {
      startedAtMs: null,
      releaseText: textOf(clock?.preinfusionEndS),
      firstDropText: textOf(clock?.firstDropS),
      stopText: textOf(clock?.stopS),
      lastDripText: textOf(clock?.lastDripS),
      unmarkedDrop: clock === null || clock.firstDrop === 'marked' ? null : clock.firstDrop,
      estimated: clock?.estimated ?? false,
      pace: 1,
    },
    cup: entryOf(facts.cup, toText),
    abandoned: facts.abandoned,
    taste: { ...facts.taste },
    look: { ...facts.look },
    extra: {
      beans: noted.beansInG === null ? '' : toText(noted.beansInG),
      force: textOf(measured?.tampForceN),
      cupMl: textOf(measured?.cupMl),
      secondCup: noted.cupsG === null ? '' : toText(noted.cupsG[1]),
      prediction: textOf(noted.predicted?.byPersonS),
    },
    noted,
    photos: [],
    lockedInAtMs: null,
  }
}

/** A draft that an earlier version of the app kept: what it did not know yet is as in a new one. */
export function upToDate(kept: Partial<ShotDraft> & DraftSetting): ShotDraft {
  const fresh = draftOf({ ...SHOT_BY_ITSELF, ...kept })
  return {
    ...fresh,
    ...kept,
    clock: { ...fresh.clock, ...kept.clock },
    extra: { ...fresh.extra, ...kept.extra },
    noted: { ...fresh.noted, ...kept.noted },
  }
}

function textOf(value: number | null | undefined): string {
  return value === null || value === undefined ? '' : String(value)
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

/** What the facts answer of each question; null where nobody asked. */
function gateAnswers(facts: ShotFacts): ShotDraft['gate'] {
  const { machineHot, basketDry, basketClean = null, rightBasket, grinderPurged, bedEven } = facts
  return { machineHot, basketDry, basketClean, rightBasket, grinderPurged, bedEven }
}
