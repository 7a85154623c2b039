import { z } from 'zod'
import { BOUNDS, DEFAULT_PAGE_SIZE } from './bounds.ts'
import { id, instant, reason } from './primitives.ts'
import { recipeRevision } from './recipe.ts'
import { shotFacts } from './shotFacts.ts'

/** Who, by which recipe, with what, and when by the device's own clock. */
const shotSetting = z.strictObject({
  personId: id,
  recipeRevisionId: id,
  barId: id,
  grinderId: id.nullable(),
  bagId: id.nullable(),
  pulledAt: instant,
})

/** A shot as the bar sends it, and who stood at the tablet and judged. */
export const shotInput = z.strictObject({ ...shotSetting.shape, judgedBy: id, facts: shotFacts })
export type ShotInput = z.infer<typeof shotInput>

/** A correction: all facts as they should have been, the revision they were read from, and why. */
export const correctionInput = z.strictObject({
  basedOnNo: z.int().positive(),
  judgedBy: id,
  reason,
  correctedAt: instant,
  facts: shotFacts,
})
export type CorrectionInput = z.infer<typeof correctionInput>

/**
 * One state of a shot's facts. The first has no reason; none is ever overwritten. `isClaimed`: entered on a tablet
 * under that person's name without network, and not yet confirmed by their PIN.
 */
export const shotRevision = z.strictObject({
  revisionId: id,
  revisionNo: z.int().positive(),
  judgedBy: id.nullable(),
  isClaimed: z.boolean(),
  reason: z.string().nullable(),
  recordedAt: instant,
  receivedAt: instant,
  facts: shotFacts,
})
export type ShotRevision = z.infer<typeof shotRevision>

/** A shot in its newest revision, as lists carry it. */
export const shotSummary = z.strictObject({ shotId: id, ...shotSetting.shape, current: shotRevision })
export type ShotSummary = z.infer<typeof shotSummary>

/** A shot with the recipe it was judged by and every revision, newest first. */
export const shotDetail = z.strictObject({
  ...shotSummary.shape,
  recipe: recipeRevision,
  revisions: z.array(shotRevision),
})
export type ShotDetail = z.infer<typeof shotDetail>

export const shotListQuery = z.strictObject({
  personId: id.optional(),
  limit: z.coerce.number().int().min(BOUNDS.pageSize.min).max(BOUNDS.pageSize.max).default(DEFAULT_PAGE_SIZE),
  cursor: z.string().max(200).optional(),
})
export type ShotListQuery = z.infer<typeof shotListQuery>

/** Newest first; `recipes` holds each revision the page's shots were judged by, once. */
export const shotList = z.strictObject({
  shots: z.array(shotSummary),
  recipes: z.array(recipeRevision),
  nextCursor: z.string().nullable(),
})
export type ShotList = z.infer<typeof shotList>
