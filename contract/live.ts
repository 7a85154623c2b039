import { z } from 'zod'
import { id } from './primitives.ts'
import { stageOfGroup } from './training.ts'

/** One line for all that changes in the academy, as far as whoever follows may know of it. */
export const LIVE_LINE_PATH = '/live'

/**
 * What a live line says: ids of what changed and should be asked for anew, and of a stage its few numbers. `here`: the
 * line stands from now on, so that whatever may have been missed is asked for anew.
 */
export const liveNews = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('here') }),
  z.strictObject({ kind: z.literal('training'), trainingId: id }),
  /** Of a shot, or of what was said of one; `trainingId` where that was at hand. */
  z.strictObject({ kind: z.literal('shot'), shotId: id, trainingId: id.nullable() }),
  z.strictObject({ kind: z.literal('prepared'), preparedId: id }),
  /** What somebody can do was worked out anew. */
  z.strictObject({ kind: z.literal('skill'), personId: id }),
  /** Of the academy and whoever is in it. */
  z.strictObject({ kind: z.literal('people') }),
  z.strictObject({ kind: z.literal('stage'), trainingId: id, stage: stageOfGroup }),
])
export type LiveNews = z.infer<typeof liveNews>
