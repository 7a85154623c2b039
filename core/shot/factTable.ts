import { DOSE_METHODS } from './doseMethod.ts'
import { MARK_PLACES } from './markPlaces.ts'
import type { BarStep } from './barSteps.ts'
import type { AmountFact, AnswerFact, ChoiceFact, FactBounds, RatingFact, SeveralFact } from './factKinds.ts'
import {
  ABANDONMENTS,
  AFTER_FEELS,
  CYCLE_PLACES,
  DISTRIBUTIONS,
  LOW_DOSE_RULES,
  MATCHES,
  POSTURES,
  PUCKS,
  SERVED,
  SIDES,
  STREAMS,
  TILTS,
} from './seen.ts'

/** Bounds of what is weighed, timed and set of a shot, in base units. Whether a value is any good is not said here. */
export const FACT_BOUNDS = {
  doseNetG: { min: 0.1, max: 40 },
  doseCount: { min: 0.5, max: 60 },
  cupNetG: { min: 0, max: 400 },
  scaleG: { min: 0, max: 3000 },
  instantS: { min: 0, max: 300 },
  grindSetting: { min: 0, max: 1000 },
  taste: { min: 0, max: 10 },
  cupMl: { min: 0, max: 500 },
  tampForceN: { min: 0, max: 400 },
  rating: { min: 0, max: 10 },
  waterC: { min: 60, max: 110 },
  marks: { min: 0, max: 100 },
  percent: { min: 0, max: 100 },
  tdsPercent: { min: 1, max: 30 },
} as const satisfies Record<string, FactBounds>

type Place = AnswerFact['place']
const answer = (step: BarStep, place: Place): AnswerFact => ({ kind: 'answer', step, place })
const choice = <const O extends string>(of: readonly O[], step: BarStep, place: Place): ChoiceFact<O> => ({
  kind: 'choice',
  of,
  step,
  place,
})
const several = <const O extends string>(of: readonly O[], step: BarStep, place: Place): SeveralFact<O> => ({
  kind: 'several',
  of,
  step,
  place,
})
const amount = <const P extends Place>(
  unit: AmountFact['unit'],
  bounds: FactBounds,
  step: BarStep,
  place: P,
): AmountFact & { place: P } => ({ kind: 'amount', unit, bounds, step, place })
const rating = (bounds: FactBounds, isWhole: boolean, step: BarStep, place: Place): RatingFact => ({
  kind: 'rating',
  bounds,
  isWhole,
  step,
  place,
})
const said = <R>(row: R) => ({ ...row, isAlwaysSaid: true }) as const
const axis = said(rating(FACT_BOUNDS.taste, true, 'taste', 'own'))

/**
 * What the facts of a shot are, part by part: how each is noted, in which unit and bounds, and where it is asked for. Types,
 * schemas, entries, corrections, lists of changes and "What was recorded" are made from it; the words stand in the catalogue
 * under the same names, and a fact without any does not compile. What has a shape of its own (weights, clock, marks …)
 * stands in `facts.ts`, and each of those that handle facts is held by types to handle every one.
 */
export const FACTS = {
  gate: {
    machineHot: said(answer('ready', 'first')),
    basketDry: said(answer('ready', 'first')),
    basketClean: { ...said(answer('ready', 'first')), isLater: true },
    rightBasket: said(answer('ready', 'first')),
    grinderPurged: said(answer('dose', 'first')),
    bedEven: said(answer('dose', 'first')),
  },
  shot: {
    grindSetting: said(amount('none', FACT_BOUNDS.grindSetting, 'ready', 'own')),
    abandoned: choice(ABANDONMENTS, 'pull', 'own'),
  },
  tamp: {
    tilt: said(choice(TILTS, 'tamp', 'own')),
    lowSide: choice(SIDES, 'tamp', 'own'),
    settled: said(answer('tamp', 'first')),
  },
  look: {
    stream: said(choice(STREAMS, 'look', 'own')),
    puck: said(choice(PUCKS, 'look', 'own')),
  },
  taste: { sour: axis, sweet: axis, bitter: axis, body: axis, dryness: axis },
  measured: {
    /** Yield as read in the cup with its crema. */
    cupMl: amount('volume', FACT_BOUNDS.cupMl, 'cup', 'own'),
    tampForceN: amount('force', FACT_BOUNDS.tampForceN, 'tamp', 'more'),
    /** What still drips after the stop, where that was learned; null: as this shot's own samples and cup say. */
    leadG: amount('mass', FACT_BOUNDS.cupNetG, 'pull', 'device'),
  },
  noted: {
    /** Whether the tool helped: trim in words, tones, the cue to stop, projection, the shot before drawn behind. */
    isHelped: answer('ready', 'own'),
    doseMethod: choice(DOSE_METHODS, 'dose', 'own'),
    distributions: several(DISTRIBUTIONS, 'dose', 'more'),
    clumps: answer('dose', 'more'),
    spilt: answer('dose', 'more'),
    /** The levelling tool left its whole outline on the bed. */
    toolOutline: answer('dose', 'more'),
    /** Grounds that cling and fly. */
    staticCling: answer('dose', 'more'),
    beansInG: amount('mass', FACT_BOUNDS.doseNetG, 'dose', 'more'),
    /** Of the water at the group, as a thermometer read it. */
    waterC: amount('temperature', FACT_BOUNDS.waterC, 'ready', 'more'),
    cycle: choice(CYCLE_PLACES, 'ready', 'more'),
    /** Of the air. */
    humidityPercent: amount('none', FACT_BOUNDS.percent, 'ready', 'more'),
    /** What was done with a dose that turned out low after tamping. */
    lowDose: choice(LOW_DOSE_RULES, 'tamp', 'own'),
    /** Wrist and elbow above the tamper, or the wrist bent. */
    posture: choice(POSTURES, 'tamp', 'more'),
    twisted: answer('tamp', 'more'),
    rimWiped: answer('tamp', 'more'),
    lockedFirmly: answer('tamp', 'more'),
    /** From locking in until the pump started. */
    lockToStartS: amount('s', FACT_BOUNDS.instantS, 'pull', 'device'),
    /** The machine filled itself meanwhile, and one waited for it. */
    waitedToFill: answer('pull', 'device'),
    /** What the scale showed at the stop, before the last drips: seen by itself, or read off one that says nothing. */
    weightAtStopG: amount('mass', FACT_BOUNDS.cupNetG, 'pull', 'more'),
    /** Where the cup stands to the line on its glass, where nobody weighs it. */
    cupLine: choice(MARK_PLACES, 'cup', 'own'),
    /** What the machine's own programme usually gives here, and how that is spread (sd), as far as it is known. */
    usualCupG: amount('mass', FACT_BOUNDS.cupNetG, 'cup', 'device'),
    usualCupSdG: amount('mass', FACT_BOUNDS.cupNetG, 'cup', 'device'),
    /** Said before the reading, and held against it. */
    served: choice(SERVED, 'look', 'first'),
    /** Against the words on the bag. */
    bagMatched: choice(MATCHES, 'taste', 'first'),
    afterFeel: choice(AFTER_FEELS, 'taste', 'more'),
    /** Dissolved solids, as a refractometer read them. */
    tdsPercent: amount('none', FACT_BOUNDS.tdsPercent, 'taste', 'more'),
    /** By whoever pulled. */
    selfRating: rating(FACT_BOUNDS.rating, false, 'look', 'more'),
  },
} as const

/** A part of the table. */
export type FactPart = keyof typeof FACTS
