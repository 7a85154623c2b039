import { z } from 'zod'
import { BOUNDS } from '../bounds.ts'
import { fieldError } from '../problem.ts'
import { id, instant } from '../primitives.ts'
import { PREPARED_KINDS } from './kinds/kindOf.ts'
import { preparedInput } from './prepared.ts'

/** A thing in a file, under the id it has where it came from. */
export const fileThing = z.strictObject({ preparedId: id, thing: preparedInput })
export type FileThing = z.infer<typeof fileThing>

/** Recipes, coffees, equipment, routines and cautions as one JSON document. */
export const preparedFile = z.strictObject({
  format: z.literal('calm-apron-prepared'),
  version: z.literal(1),
  madeAt: instant,
  things: z.array(fileThing),
})
export type PreparedFile = z.infer<typeof preparedFile>

/** Rows as they stand in a file, each judged by itself: what can't be taken is told and holds up nothing else. */
export const importInput = z.strictObject({
  /** Whether to say only what would be done. */
  isPreview: z.boolean(),
  /** Of a file sent in pieces: ids of its earlier pieces, which later rows may name, and which must not come again. */
  earlierIds: z.array(id).max(BOUNDS.importRows.max * 20),
  rows: z.array(z.record(z.string(), z.unknown())).min(BOUNDS.importRows.min).max(BOUNDS.importRows.max),
})
export type ImportInput = z.infer<typeof importInput>

/** What became of a row of a file. */
export const ROW_OUTCOMES = ['new', 'changed', 'same', 'refused'] as const

/** What became of one row, or would. */
export const rowReport = z.strictObject({
  /** From 0, in the order sent. */
  row: z.int().nonnegative(),
  outcome: z.enum(ROW_OUTCOMES),
  kind: z.enum(PREPARED_KINDS).nullable(),
  name: z.string().nullable(),
  errors: z.array(fieldError),
})
export type RowReport = z.infer<typeof rowReport>

/** What became of each row of a file. */
export const importReport = z.strictObject({ rows: z.array(rowReport) })
export type ImportReport = z.infer<typeof importReport>
