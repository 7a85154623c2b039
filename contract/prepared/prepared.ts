import { z } from 'zod'
import { id, instant, line, pageFields } from '../primitives.ts'
import { readAnswer } from '../readAnswer.ts'
import { KINDS, type PreparedContent, type PreparedKind, type RoomKind } from './kinds/kinds.ts'
import { PREPARED_KINDS, kindOf } from './kinds/kindOf.ts'
import type { Keeper, NamedThing } from './kinds/definedKind.ts'

/** A thing of one kind as it is first made. */
type InputOf<K extends PreparedKind> = {
  kind: K
  parentId: (typeof KINDS)[K]['parent'] extends null ? null : string
  content: PreparedContent<K>
}
/** A thing as it is first made, and as files carry it. */
export type PreparedInput = { [K in PreparedKind]: InputOf<K> }[PreparedKind]

const inputs = PREPARED_KINDS.map((kind) => {
  const { parent, content } = kindOf(kind)
  return z.strictObject({ kind: z.literal(kind), parentId: parent === null ? z.null() : id, content })
})
// There is at least one kind; a list made of a list only knows that there may be.
type Inputs = [(typeof inputs)[number], ...typeof inputs]
// Made of the very definitions that its type is made of; a list of them can't carry that.
/** Reads a thing as it is first made. */
export const preparedInput = z.discriminatedUnion(
  'kind',
  inputs as Inputs,
) as unknown as z.ZodType<PreparedInput>

/** Every other prepared thing that this one names: what it belongs to, and what its content speaks of. */
export function namedBy({ kind, parentId, content }: PreparedInput): NamedThing[] {
  const definition = kindOf(kind)
  const { parent } = definition
  const within = definition.names?.(content) ?? []
  return [
    ...(parent === null || parentId === null
      ? []
      : [{ path: 'parentId', kind: parent, preparedId: parentId }]),
    ...within.map((each) => ({ ...each, path: `content.${each.path}` })),
  ]
}

/** Who alone, beside a head, may change a thing; null: whoever prepares. */
export function keeperOf({ kind, content }: Pick<PreparedInput, 'kind' | 'content'>): Keeper | null {
  return kindOf(kind).keeper?.(content) ?? null
}

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

/**
 * A piece of equipment as a new one begins, with what its owner says of it.
 * @throws {z.ZodError} where something that only they know is left out
 */
export function begunAs<K extends RoomKind>(kind: K, said: Partial<PreparedContent<K>>): PreparedContent<K> {
  // Parsed by the very schema its type is inferred from; the generic can't carry that.
  return KINDS[kind].content.parse({ ...kindOf(kind).begins, ...said }) as PreparedContent<K>
}

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
  const read = readAnswer(KINDS[kind].content, record.content)
  if (!read.success) throw read.error
  // Parsed by the very schema its type is inferred from; the generic can't carry that.
  return { ...record, kind, content: read.data as PreparedContent<K> }
}

/** A record read in the shape of its own kind. */
export type AnyPrepared = { [K in PreparedKind]: Prepared<K> }[PreparedKind]

/** Reads a record in the shape of its own kind; null where its content is not what its kind says. */
export function asItsKind(record: PreparedRecord): AnyPrepared | null {
  const read = readAnswer(KINDS[record.kind].content, record.content)
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
