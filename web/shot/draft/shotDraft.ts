import { SHOT_BY_ITSELF, type ShotInput } from '@calm-apron/contract'
import {
  type Abandonment,
  BAR_STEPS,
  BASE_UNITS,
  type BarStep,
  FACTS,
  FAULTS_SHOWN,
  type FaultShown,
  type Focus,
  type MarkPlace,
  type ShotFacts,
  type ShotMeasures,
  type ShotNotes,
  type ShotWanted,
  type UnitChoice,
  type Weighing,
  asTyped,
  doseMethodOf,
  isDoseSeen,
  isStepAsked,
  noNotes,
  nothingOf,
  unknownFacts,
} from '@calm-apron/core'
import { TYPED_ROWS, type TypedFact } from '../facts/factRows.ts'
import { factText } from './typedFacts.ts'

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

/** A photo until it is sent. */
export interface DraftPhoto {
  photoId: string
  picture: string
  takenAt: string
}

/** Every question of the gate has an answer in a draft, be it "not checked". */
type GateAnswers = { [Q in keyof typeof FACTS.gate]: boolean | null }

/** Who pulls what with what, as a shot is recorded with it. */
export type ShotSetting = Omit<ShotInput, 'judgedBy' | 'pulledAt' | 'facts' | 'series' | 'note' | 'focus'>

/** A shot while it is being entered, exactly as typed, so that nothing is lost by a reload. */
export interface ShotDraft extends ShotSetting {
  shotId: string
  madeAt: string
  /** Set when this draft corrects a recorded shot. */
  correcting: { basedOnNo: number; reason: string } | null
  /** The units in which its numbers are typed. */
  units: UnitChoice
  /** The facts that it was filled with, of which the texts show less; left out of a new shot. */
  filledWith?: ShotFacts
  routineId: string | null
  /** What its training looks at; null where that is all. */
  focus: Focus | null
  step: BarStep
  /** What is typed as one number; empty is not known. */
  texts: Record<TypedFact, string>
  /** What it is meant to be where dialling in took it off its recipe; left out or null where it is the recipe's own. */
  wanted?: ShotWanted | null
  gate: GateAnswers
  dose: WeighingEntry
  /** Where it stands to its mark, where nobody weighs it; how many went in stands in `texts`. */
  doseAt: MarkPlace | null
  tamp: ShotFacts['tamp']
  clock: ClockEntry
  cup: WeighingEntry
  abandoned: Abandonment | null
  taste: ShotFacts['taste']
  look: ShotFacts['look']
  /** What devices measured; what is typed stands in `texts`. */
  measured: ShotMeasures
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
  Pick<ShotDraft, 'shotId' | 'madeAt' | 'units' | 'correcting'> & {
    routineId?: string | null
    focus?: Focus | null
    note?: string
  }

/** A draft that is filled with what a record says; of a new shot there is none. */
export function draftOf(setting: DraftSetting, recorded: ShotFacts | null = null): ShotDraft {
  const facts = recorded ?? unknownFacts()
  const { units } = setting
  return {
    ...(recorded !== null && { filledWith: recorded }),
    routineId: null,
    note: '',
    focus: null,
    ...setting,
    step: BAR_STEPS.find((step) => isStepAsked(setting.focus, step)) ?? 'ready',
    texts: textsOf(facts, units),
    wanted: facts.wanted ?? null,
    gate: gateAnswers(facts),
    dose: entryOf(isDoseSeen(facts.dose) ? null : facts.dose, units),
    doseAt: facts.dose?.by === 'mark' ? facts.dose.at : null,
    tamp: { ...facts.tamp },
    clock: clockEntryOf(facts.clock),
    cup: entryOf(facts.cup, units),
    abandoned: facts.abandoned,
    taste: { ...facts.taste },
    look: { ...facts.look },
    measured: { ...nothingOf(FACTS.measured), ...facts.measured },
    noted: { ...noNotes(), ...facts.noted, doseMethod: doseMethodOf(facts) },
    photos: [],
    lockedInAtMs: null,
  }
}

/** A draft as former releases kept it: each number had a field of its own, and only weights had a unit. */
interface FormerTexts {
  massUnit?: UnitChoice['mass']
  grindText?: string
  extra?: Partial<Record<'beans' | 'force' | 'cupMl' | 'secondCup' | 'prediction', string>>
}

/** A draft that this release or an earlier one kept: what that did not know yet is as in a new one. */
export function upToDate(kept: Partial<ShotDraft> & Omit<DraftSetting, 'units'> & FormerTexts): ShotDraft {
  const { massUnit, grindText, extra, ...rest } = kept
  const units = { ...BASE_UNITS, ...(massUnit !== undefined && { mass: massUnit }), ...kept.units }
  const fresh = draftOf({ ...SHOT_BY_ITSELF, ...kept, units })
  const former: Partial<Record<TypedFact, string | undefined>> = {
    grindSetting: grindText,
    beansInG: extra?.beans,
    tampForceN: extra?.force,
    cupMl: extra?.cupMl,
    secondCupG: extra?.secondCup,
    predictedS: extra?.prediction,
    // Seen by a scale, before it could be typed.
    weightAtStopG: kept.texts?.weightAtStopG ?? factText('weightAtStopG', kept.noted?.weightAtStopG, units),
  }
  const said = Object.fromEntries(Object.entries(former).filter(([, text]) => text !== undefined))
  return {
    ...fresh,
    ...rest,
    units,
    gate: { ...fresh.gate, ...kept.gate },
    clock: { ...fresh.clock, ...kept.clock },
    texts: { ...fresh.texts, ...said, ...kept.texts },
    measured: { ...fresh.measured, ...kept.filledWith?.measured, ...kept.measured },
    noted: { ...fresh.noted, ...kept.noted },
  }
}

const textOf = (value: number | null | undefined) => (value == null ? '' : String(value))

/** What a record says, as it would be typed. */
function textsOf(facts: ShotFacts, units: UnitChoice): Record<TypedFact, string> {
  const said = recordedNumbers(facts)
  // Object.fromEntries forgets the names.
  return Object.fromEntries(
    [...TYPED_ROWS.keys()].map((name) => [name, factText(name, said(name), units)]),
  ) as Record<TypedFact, string>
}

/** What a record says of a fact that is typed as one number. */
export function recordedNumbers(facts: ShotFacts): (name: string) => number | null {
  const { noted, measured } = facts
  const known: Record<string, unknown> = {
    ...facts,
    ...measured,
    ...noted,
    secondCupG: noted?.cupsG?.[1],
    doseCount: facts.dose?.by === 'count' ? facts.dose.count : null,
    predictedS: noted?.predicted?.byPersonS,
  }
  return (name) => {
    const value = known[name]
    return typeof value === 'number' ? value : null
  }
}

function clockEntryOf(clock: ShotFacts['clock']): ClockEntry {
  return {
    startedAtMs: null,
    releaseText: textOf(clock?.preinfusionEndS),
    firstDropText: textOf(clock?.firstDropS),
    stopText: textOf(clock?.stopS),
    lastDripText: textOf(clock?.lastDripS),
    unmarkedDrop: clock === null || clock.firstDrop === 'marked' ? null : clock.firstDrop,
    estimated: clock?.estimated ?? false,
    pace: 1,
  }
}

function entryOf(weighing: Weighing | null, { mass }: UnitChoice): WeighingEntry {
  const empty: WeighingEntry = { way: 'gross', netText: '', grossText: '', tareText: '', vesselId: null }
  if (weighing === null) return empty
  if (weighing.by === 'net') return { ...empty, way: 'net', netText: asTyped(mass, weighing.netG) }
  return {
    ...empty,
    grossText: asTyped(mass, weighing.grossG),
    tareText: asTyped(mass, weighing.tareG),
    vesselId: weighing.vesselId,
  }
}

/** What the facts answer of each question; null where nobody asked. */
function gateAnswers(facts: ShotFacts): GateAnswers {
  const { machineHot, basketDry, basketClean = null, rightBasket, grinderPurged, bedEven } = facts
  return { machineHot, basketDry, basketClean, rightBasket, grinderPurged, bedEven }
}
