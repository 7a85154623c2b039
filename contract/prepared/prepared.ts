import { z } from 'zod'
import { id, instant, line, pageFields } from '../primitives.ts'
import { readAnswer } from '../readAnswer.ts'
import { recipeContent } from '../recipe.ts'
import {
  barContent,
  basketContent,
  grinderContent,
  machineContent,
  scaleContent,
  toolContent,
  vesselContent,
  waterContent,
} from './bar.ts'
import { bagContent, coffeeContent } from './coffee.ts'
import { cautionContent, routineContent } from './teaching.ts'

/** What a trainer prepares, by kind, with all that is said of it. */
export const PREPARED_CONTENT = {
  recipe: recipeContent,
  coffee: coffeeContent,
  bag: bagContent,
  bar: barContent,
  machine: machineContent,
  grinder: grinderContent,
  basket: basketContent,
  vessel: vesselContent,
  tool: toolContent,
  scale: scaleContent,
  water: waterContent,
  routine: routineContent,
  caution: cautionContent,
} as const

export type PreparedKind = keyof typeof PREPARED_CONTENT
// The keys of a literal object; Object.keys only knows them as strings.
/** Every kind of thing that is prepared. */
export const PREPARED_KINDS = Object.keys(PREPARED_CONTENT) as [PreparedKind, ...PreparedKind[]]
export type PreparedContent<K extends PreparedKind = PreparedKind> = z.infer<(typeof PREPARED_CONTENT)[K]>

/** What a thing belongs to: bags to a coffee, equipment to a bar; the rest to nothing. */
export const PARENT_KIND = {
  recipe: null,
  coffee: null,
  bag: 'coffee',
  bar: null,
  machine: 'bar',
  grinder: 'bar',
  basket: 'bar',
  vessel: 'bar',
  tool: 'bar',
  scale: 'bar',
  water: 'bar',
  routine: null,
  caution: null,
} as const satisfies Record<PreparedKind, PreparedKind | null>

function ofKind<K extends PreparedKind>(kind: K) {
  return z.strictObject({
    kind: z.literal(kind),
    parentId: PARENT_KIND[kind] === null ? z.null() : id,
    content: PREPARED_CONTENT[kind],
  })
}

/** A thing as it is first made, and as files carry it. */
export const preparedInput = z.discriminatedUnion('kind', [
  ofKind('recipe'),
  ofKind('coffee'),
  ofKind('bag'),
  ofKind('bar'),
  ofKind('machine'),
  ofKind('grinder'),
  ofKind('basket'),
  ofKind('vessel'),
  ofKind('tool'),
  ofKind('scale'),
  ofKind('water'),
  ofKind('routine'),
  ofKind('caution'),
])
export type PreparedInput = z.infer<typeof preparedInput>

/** A thing in its newest revision. */
export const preparedRecord = z.strictObject({
  preparedId: id,
  kind: z.enum(PREPARED_KINDS),
  parentId: id.nullable(),
  revisionId: id,
  revisionNo: z.int().positive(),
  isArchived: z.boolean(),
  changedAt: instant,
  /** null: from the command line. */
  changedBy: id.nullable(),
  /** In the shape of its kind; see `contentOf`. */
  content: z.record(z.string(), z.unknown()),
})
export type PreparedRecord = z.infer<typeof preparedRecord>

/** A record whose content has been read in the shape of its kind. */
export type Prepared<K extends PreparedKind = PreparedKind> = Omit<PreparedRecord, 'content' | 'kind'> & {
  kind: K
  content: PreparedContent<K>
}

/**
 * Reads a record in the shape of one kind; null where it is another kind's. What this release does not know of it yet is
 * let by.
 * @throws {z.ZodError} when its content is not what its kind says
 */
export function asKind<K extends PreparedKind>(record: PreparedRecord, kind: K): Prepared<K> | null {
  if (record.kind !== kind) return null
  const read = readAnswer(PREPARED_CONTENT[kind], record.content)
  if (!read.success) throw read.error
  // Parsed by the very schema its type is inferred from; the generic can't carry that.
  return { ...record, kind, content: read.data as PreparedContent<K> }
}

/** A record read in the shape of its own kind. */
export type AnyPrepared = { [K in PreparedKind]: Prepared<K> }[PreparedKind]

/** Reads a record in the shape of its own kind; null where its content is not what its kind says. */
export function asItsKind(record: PreparedRecord): AnyPrepared | null {
  const read = readAnswer(PREPARED_CONTENT[record.kind], record.content)
  // Parsed by the very schema of the record's kind; the union can't carry that.
  return read.success ? ({ ...record, content: read.data } as AnyPrepared) : null
}

/** A thing as it stood once, who changed it then, and why. */
export const preparedRevision = z.strictObject({
  revisionId: id,
  revisionNo: z.int().positive(),
  changedAt: instant,
  changedBy: id.nullable(),
  content: z.record(z.string(), z.unknown()),
})
export type PreparedRevision = z.infer<typeof preparedRevision>

/** A thing with all its revisions, newest first. */
export const preparedDetail = z.strictObject({
  ...preparedRecord.shape,
  revisions: z.array(preparedRevision),
})
export type PreparedDetail = z.infer<typeof preparedDetail>

/** A change: all that should stand, and the revision it was read from. */
export const preparedChange = z.strictObject({
  basedOnNo: z.int().positive(),
  thing: preparedInput,
})
export type PreparedChange = z.infer<typeof preparedChange>

/** Puts a thing away, or brings it back. */
export const archiveChange = z.strictObject({ isArchived: z.boolean() })

/** Which things of a kind are asked for. */
export const preparedQuery = z.strictObject({
  kind: z.enum(PREPARED_KINDS),
  parentId: id.optional(),
  search: line({ min: 0, max: 100 }).optional(),
  archived: z.enum(['yes', 'no']).default('no'),
  ...pageFields(400),
})
export type PreparedQuery = z.infer<typeof preparedQuery>

/** By name. */
export const preparedList = z.strictObject({
  things: z.array(preparedRecord),
  nextCursor: z.string().nullable(),
})
export type PreparedList = z.infer<typeof preparedList>
