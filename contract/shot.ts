import {
  type AsItStood,
  FAULTS_SHOWN,
  FINER_IS,
  GRIND_OWNERS,
  PACKED_SERIES,
  type RecordedShot,
  SHOT_PURPOSES,
  type ShotFacts,
  CAUSES,
  READING_KINDS,
  STANDINGS,
  cupTaste,
  isRunBefore,
  unpackSeries,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { calendarDate, id, instant, line, pageFields, reason, refuse } from './primitives.ts'
import { recipeRevision } from './prepared/kinds/recipe.ts'
import { shotFacts, tasteFacts } from './shotFacts.ts'
import { focus } from './training.ts'

/** Who, by which recipe, with what, and when by the device's own clock. */
const shotSetting = z.strictObject({
  personId: id,
  recipeRevisionId: id,
  barId: id,
  grinderId: id.nullable(),
  bagId: id.nullable(),
  pulledAt: instant,
  /** At which group: its machine, and its place in that, from 0. */
  machineId: id.nullable().default(null),
  groupNo: z.int().min(0).max(BOUNDS.listLength.max).nullable().default(null),
  /** The training it belongs to; null where it was pulled by itself. */
  trainingId: id.nullable().default(null),
  purpose: z.enum(SHOT_PURPOSES).default('practice'),
  /** Of a deliberate fault: which. */
  faultShown: z.enum(FAULTS_SHOWN).nullable().default(null),
  /** Not pulled for real: by a stand-in's word, or a person's. */
  isSimulated: z.boolean().default(false),
  grindOwner: z.enum(GRIND_OWNERS).default('trainee'),
  /** Whether whoever pulled is asked for their call before the reading opens to them. */
  isCallAsked: z.boolean().default(false),
  /** Whether a call by eye is asked for as well, and both notes; null, as of former releases: with the call, and always. */
  isFirstCallAsked: z.boolean().nullable().default(null),
  areNotesAsked: z.boolean().nullable().default(null),
  /** The set that it is pulled in; left out of all others. */
  assessmentId: id.exactOptional(),
})

/** What a shot is where it belongs to no training and nothing else is said. */
export const SHOT_BY_ITSELF = {
  machineId: null,
  groupNo: null,
  trainingId: null,
  purpose: 'practice',
  faultShown: null,
  isSimulated: false,
  grindOwner: 'trainee',
  isCallAsked: false,
  isFirstCallAsked: null,
  areNotesAsked: null,
} as const satisfies Partial<z.infer<typeof shotSetting>>

/** What a sensor saw, as `packSeries` writes it. */
const series = z.string().max(BOUNDS.seriesLength.max).regex(PACKED_SERIES).nullable()
/** Weight in the cup in g and pressure in bar over s from pump start; null where none was there to see it. */
export const shotSeries = z.strictObject({ weight: series, pressure: series })
export type ShotSeries = z.infer<typeof shotSeries>

/** What a shot was pulled with, as it stood then. */
export const asItStood = z.strictObject({
  pulledOn: z.string(),
  isPullerTeaching: z.boolean(),
  coffee: z
    .strictObject({
      roastedOn: z.string().nullable(),
      frozen: z.strictObject({ frozenOn: z.string(), thawedOn: z.string().nullable() }).nullable(),
      freshness: z.strictObject({
        restDays: z.number(),
        bestUntilDays: z.number(),
        usableUntilDays: z.number(),
      }),
      isRoastDark: z.boolean().nullable(),
    })
    .nullable(),
  machine: z
    .strictObject({
      isLever: z.boolean(),
      hasReleaseValve: z.boolean(),
      switchedOnAt: z.string().nullable(),
      warmUpMinutes: z.number(),
      setC: z.number().nullable().exactOptional(),
      basketNominalG: z.number().nullable(),
      basketId: z.string().nullable().exactOptional(),
      isRecipesBasket: z.boolean().nullable().exactOptional(),
      stopsItself: z.boolean().exactOptional(),
    })
    .nullable(),
  grinder: z
    .strictObject({
      settingStep: z.number(),
      finerIs: z.enum(FINER_IS),
      innerBurrAt: z.number().nullable().exactOptional(),
    })
    .nullable(),
  focus: focus.exactOptional(),
}) satisfies z.core.$ZodType<AsItStood>

const note = line(BOUNDS.shotNoteLength)

/** A shot as the bar sends it, and who stood at the tablet and judged. */
export const shotInput = z.strictObject({
  ...shotSetting.shape,
  judgedBy: id,
  /** What its training looked at, as whoever pulled it saw; one that the training never had is let by. */
  focus: focus.nullable().default(null),
  facts: shotFacts,
  series: shotSeries.nullable().default(null),
  note: note.default(''),
})
export type ShotInput = z.infer<typeof shotInput>

/** A correction: all facts as they should have been, the revision they were read from, and why. */
export const correctionInput = z.strictObject({
  basedOnNo: z.int().positive(),
  judgedBy: id,
  reason,
  correctedAt: instant,
  facts: shotFacts,
  /** null: it stays as it is. */
  note: note.nullable().default(null),
})
export type CorrectionInput = z.infer<typeof correctionInput>

/**
 * One state of a shot's facts. The first has no reason; none is ever overwritten. `isClaimed`: entered in that person's
 * name on a tablet where another was signed in, and they have not said yet whether it is theirs; `isDenied`: they say
 * it is not.
 */
export const shotRevision = z.strictObject({
  revisionId: id,
  revisionNo: z.int().positive(),
  judgedBy: id.nullable(),
  isClaimed: z.boolean(),
  isDenied: z.boolean().default(false),
  /** Whether whoever judged it taught then; whoever recorded before people signed in did. */
  isJudgeTeaching: z.boolean().default(true),
  reason: z.string().nullable(),
  recordedAt: instant,
  receivedAt: instant,
  facts: shotFacts,
  note: z.string(),
})
export type ShotRevision = z.infer<typeof shotRevision>

/** What is asked of a shot before its reading opens, the final call aside. */
export function askedBefore({
  isCallAsked,
  isFirstCallAsked,
  areNotesAsked,
}: Pick<ShotInput, 'isCallAsked' | 'isFirstCallAsked' | 'areNotesAsked'>): {
  first: boolean
  notes: boolean
} {
  return { first: isFirstCallAsked ?? isCallAsked, notes: areNotesAsked ?? true }
}

/** A shot in its newest revision, as lists carry it. */
export const shotSummary = z.strictObject({
  shotId: id,
  ...shotSetting.shape,
  current: shotRevision,
  series: shotSeries.nullable(),
  /** So far was the clock of the device ahead that sent it; then `pulledAt` is when it arrived. */
  clockAheadS: z.number().nullable().default(null),
  /** What it was pulled with, as it stood then. */
  stood: asItStood,
  /** What both sides tasted, once both are in or skipped; null until then, and for a side that did not taste. */
  tasted: z.strictObject({ trainee: tasteFacts.nullable(), trainer: tasteFacts.nullable() }),
})
export type ShotSummary = z.infer<typeof shotSummary>

/** A shot's facts as core reads them: with the scale's samples, and the cup as it was tasted in the end. */
export function readableFacts({
  current: { facts },
  series,
  tasted,
}: Pick<ShotSummary, 'series' | 'tasted'> & { current: Pick<ShotRevision, 'facts'> }): ShotFacts {
  const samples = series?.weight ? { samples: unpackSeries(series.weight) } : {}
  return { ...facts, ...samples, taste: cupTaste(facts.taste, tasted) }
}

/** A shot as core reads it, whoever asks. */
export function recordedOf(shot: ShotSummary): RecordedShot {
  const { shotId, pulledAt, tasted, purpose, isSimulated, grindOwner, stood, current } = shot
  const { isJudgeTeaching } = current
  const facts = readableFacts(shot)
  return { shotId, pulledAt, facts, tasted, isJudgeTeaching, purpose, isSimulated, grindOwner, stood }
}

/** Whether a shot came before another in one session, by the same recipe on the same grinder at the same setting. */
export function isBeforeInSession(one: ShotSummary, other: ShotSummary): boolean {
  return (
    one.recipeRevisionId === other.recipeRevisionId &&
    one.grinderId === other.grinderId &&
    isRunBefore(atSetting(one), atSetting(other))
  )
}

const atSetting = ({ pulledAt, current: { facts } }: ShotSummary) => ({ pulledAt, facts })

/** A shot with the recipe it was judged by and every revision, newest first. */
export const shotDetail = z.strictObject({
  ...shotSummary.shape,
  recipe: recipeRevision,
  revisions: z.array(shotRevision),
})
export type ShotDetail = z.infer<typeof shotDetail>

/**
 * Which shots: whose, on which grinder, of which training, coffee, bag, recipe, purpose; how a reading stood, which cause is
 * named; from and until which day where the academy is, or before an instant; with which text in what was written of it. A page.
 */
export const shotListQuery = z
  .strictObject({
    personId: id.optional(),
    grinderId: id.optional(),
    trainingId: id.optional(),
    coffeeId: id.optional(),
    bagId: id.optional(),
    recipeId: id.optional(),
    purpose: z.enum(SHOT_PURPOSES).optional(),
    reading: z.enum(READING_KINDS).optional(),
    /** How that reading stood. */
    standing: z.enum(STANDINGS).optional(),
    cause: z.enum(CAUSES).optional(),
    from: calendarDate.optional(),
    until: calendarDate.optional(),
    before: instant.optional(),
    text: line(BOUNDS.searchLength).optional(),
    ...pageFields(),
  })
  .superRefine(({ reading, standing }, context) => {
    if ((reading === undefined) === (standing === undefined)) return
    const path = [reading === undefined ? 'reading' : 'standing']
    refuse(context, path, 'reading-with-standing', 'Say which reading, and how it stood.')
  })
export type ShotListQuery = z.infer<typeof shotListQuery>

/** Newest first; `recipes` holds each revision the page's shots were judged by, once. */
export const shotList = z.strictObject({
  shots: z.array(shotSummary),
  recipes: z.array(recipeRevision),
  /** Of a list by readings or causes: whether some shots are still being worked out, so that there may be more. */
  isBehind: z.boolean().default(false),
  nextCursor: z.string().nullable(),
})
export type ShotList = z.infer<typeof shotList>
