import {
  CONTENT_VERSION,
  PREPARED_CONTENT,
  type PreparedInput,
  type PreparedKind,
  type PreparedQuery,
  type PreparedRecord,
  type PreparedRevision,
  type ThingThen,
  upcast,
} from '@calm-apron/contract'
import { type SQL, and, asc, desc, eq, inArray, isNotNull, isNull, like, sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { prepared, preparedRevision } from '../database/schema/index.ts'

type PreparedRow = typeof prepared.$inferSelect
type RevisionRow = typeof preparedRevision.$inferSelect

/** Where a page of names ended. */
export interface NameEnd {
  nameKey: string
  preparedId: string
}

/** A revision about to be stored, with what lists show of it. */
export interface NewThing {
  preparedId: string
  revisionId: string
  revisionNo: number
  thing: PreparedInput
  bodyDigest: string
  changedBy: string | null
  changedAt: Date
}

/** What a thing is listed under. */
export function nameKeyOf({ content }: PreparedInput): string {
  return content.name.toLowerCase()
}

/** All that a search may find a thing by: every text its content holds. */
export function searchTextOf({ content }: PreparedInput): string {
  return textsOf(content).join(' ').toLowerCase()
}

function textsOf(value: unknown): string[] {
  if (typeof value === 'string') return [value]
  return typeof value === 'object' && value !== null ? Object.values(value).flatMap(textsOf) : []
}

function toRecord(thing: PreparedRow, revision: RevisionRow): PreparedRecord {
  const { preparedId, kind, parentId, archivedAt } = thing
  return { preparedId, kind, parentId, isArchived: archivedAt !== null, ...toRevision(kind, revision) }
}

function toRevision(kind: PreparedKind, row: RevisionRow): PreparedRevision {
  const { revisionId, revisionNo, changedAt, changedBy } = row
  const content = upcast(kind, row.content, row.contentVersion)
  return { revisionId, revisionNo, changedAt: changedAt.toISOString(), changedBy, content }
}

const NEWEST = and(
  eq(preparedRevision.academyId, prepared.academyId),
  eq(preparedRevision.preparedId, prepared.preparedId),
  eq(preparedRevision.revisionNo, prepared.revisionNo),
)

async function selectThings(transaction: AcademyTransaction, where: SQL | undefined) {
  const rows = await transaction
    .select({ thing: prepared, revision: preparedRevision })
    .from(prepared)
    .innerJoin(preparedRevision, NEWEST)
    .where(where)
    .orderBy(asc(prepared.nameKey), asc(prepared.preparedId))
  return rows.map(({ thing, revision }) => toRecord(thing, revision))
}

/** The query behind one page of a list; one more row than asked tells whether another page follows. */
export function preparedPageQuery(
  transaction: AcademyTransaction,
  academyId: string,
  { kind, parentId, search, archived, limit }: PreparedQuery,
  after: NameEnd | null,
) {
  const conditions: (SQL | undefined)[] = [
    eq(prepared.academyId, academyId),
    eq(prepared.kind, kind),
    archived === 'yes' ? isNotNull(prepared.archivedAt) : isNull(prepared.archivedAt),
    parentId === undefined ? undefined : eq(prepared.parentId, parentId),
    ...wordsOf(search).map((word) => like(prepared.searchText, `%${escapeLike(word)}%`)),
    after === null
      ? undefined
      : sql`(${prepared.nameKey}, ${prepared.preparedId}) > (${after.nameKey}, ${after.preparedId}::uuid)`,
  ]
  return transaction
    .select({ thing: prepared, revision: preparedRevision })
    .from(prepared)
    .innerJoin(preparedRevision, NEWEST)
    .where(and(...conditions))
    .orderBy(asc(prepared.nameKey), asc(prepared.preparedId))
    .limit(limit + 1)
}

function wordsOf(search = ''): string[] {
  return search.toLowerCase().split(/\s+/).filter(Boolean)
}

function escapeLike(word: string): string {
  return word.replaceAll(/[\\%_]/g, '\\$&')
}

/** One page of things by name, and where it ended if another follows. */
export async function listPrepared(
  transaction: AcademyTransaction,
  academyId: string,
  query: PreparedQuery,
  after: NameEnd | null,
): Promise<{ things: PreparedRecord[]; end: NameEnd | null }> {
  const rows = await preparedPageQuery(transaction, academyId, query, after)
  const page = rows.slice(0, query.limit)
  const last = page.at(-1)?.thing
  return {
    things: page.map(({ thing, revision }) => toRecord(thing, revision)),
    end: rows.length > query.limit && last ? { nameKey: last.nameKey, preparedId: last.preparedId } : null,
  }
}

/** Everything that is not put away, by name. */
export async function allPrepared(
  transaction: AcademyTransaction,
  kinds: readonly PreparedKind[],
): Promise<PreparedRecord[]> {
  return selectThings(transaction, and(inArray(prepared.kind, [...kinds]), isNull(prepared.archivedAt)))
}

export async function findPrepared(
  transaction: AcademyTransaction,
  preparedIds: readonly string[],
): Promise<PreparedRecord[]> {
  return preparedIds.length === 0
    ? []
    : selectThings(transaction, inArray(prepared.preparedId, [...preparedIds]))
}

/** What kind of thing each id is; ids of nothing are left out. */
export async function kindsOf(
  transaction: AcademyTransaction,
  preparedIds: readonly string[],
): Promise<Map<string, PreparedKind>> {
  if (preparedIds.length === 0) return new Map()
  const rows = await transaction
    .select({ preparedId: prepared.preparedId, kind: prepared.kind })
    .from(prepared)
    .where(inArray(prepared.preparedId, [...preparedIds]))
  return new Map(rows.map(({ preparedId, kind }) => [preparedId, kind]))
}

/** Of what kind of thing a revision is; null where there is none by that id. */
export async function kindOfRevision(
  transaction: AcademyTransaction,
  revisionId: string,
): Promise<PreparedKind | null> {
  const [row] = await transaction
    .select({ kind: prepared.kind })
    .from(preparedRevision)
    .innerJoin(prepared, eq(prepared.preparedId, preparedRevision.preparedId))
    .where(eq(preparedRevision.revisionId, revisionId))
  return row?.kind ?? null
}

/** Things as they stood at an instant; what was first prepared after it as it was prepared then. */
export async function thingsAt(
  transaction: AcademyTransaction,
  preparedIds: readonly string[],
  at: Date,
): Promise<Map<string, ThingThen>> {
  if (preparedIds.length === 0) return new Map()
  const isBefore = sql`${preparedRevision.changedAt} <= ${at.toISOString()}::timestamptz`
  const rows = await transaction
    .selectDistinctOn([preparedRevision.preparedId], {
      kind: prepared.kind,
      parentId: prepared.parentId,
      revision: preparedRevision,
    })
    .from(preparedRevision)
    .innerJoin(prepared, eq(prepared.preparedId, preparedRevision.preparedId))
    .where(inArray(preparedRevision.preparedId, [...preparedIds]))
    .orderBy(
      preparedRevision.preparedId,
      sql`(${isBefore}) desc, case when ${isBefore} then ${preparedRevision.revisionNo} else -${preparedRevision.revisionNo} end desc`,
    )
  return new Map(
    rows.map(({ kind, parentId, revision }) => [
      revision.preparedId,
      { kind, parentId, content: PREPARED_CONTENT[kind].parse(toRevision(kind, revision).content) },
    ]),
  )
}

/** Revisions of one thing, newest first. */
export async function listRevisions(
  transaction: AcademyTransaction,
  preparedId: string,
): Promise<PreparedRevision[]> {
  const rows = await transaction
    .select({ kind: prepared.kind, revision: preparedRevision })
    .from(preparedRevision)
    .innerJoin(prepared, eq(prepared.preparedId, preparedRevision.preparedId))
    .where(eq(preparedRevision.preparedId, preparedId))
    .orderBy(desc(preparedRevision.revisionNo))
  return rows.map(({ kind, revision }) => toRevision(kind, revision))
}

/** The thing and digest of a revision, or null when there is none by that id. */
export async function findRevision(
  transaction: AcademyTransaction,
  revisionId: string,
): Promise<{ preparedId: string; bodyDigest: string } | null> {
  const [row] = await transaction
    .select({ preparedId: preparedRevision.preparedId, bodyDigest: preparedRevision.bodyDigest })
    .from(preparedRevision)
    .where(eq(preparedRevision.revisionId, revisionId))
  return row ?? null
}

/** Stores new things with their first revisions; tells which ids were taken already and therefore not stored. */
export async function insertThings(
  transaction: AcademyTransaction,
  academyId: string,
  things: readonly NewThing[],
): Promise<Set<string>> {
  if (things.length === 0) return new Set()
  const stored = await transaction
    .insert(prepared)
    .values(
      things.map(({ preparedId, revisionNo, thing }) => ({
        academyId,
        preparedId,
        kind: thing.kind,
        parentId: thing.parentId,
        revisionNo,
        nameKey: nameKeyOf(thing),
        searchText: searchTextOf(thing),
      })),
    )
    .onConflictDoNothing()
    .returning({ preparedId: prepared.preparedId })
  const isStored = new Set(stored.map(({ preparedId }) => preparedId))
  await insertRevisions(
    transaction,
    academyId,
    things.filter(({ preparedId }) => isStored.has(preparedId)),
  )
  return new Set(things.map(({ preparedId }) => preparedId).filter((each) => !isStored.has(each)))
}

async function insertRevisions(
  transaction: AcademyTransaction,
  academyId: string,
  things: readonly NewThing[],
): Promise<void> {
  if (things.length === 0) return
  await transaction.insert(preparedRevision).values(
    things.map(({ thing, ...revision }) => ({
      academyId,
      ...revision,
      content: thing.content,
      contentVersion: CONTENT_VERSION,
    })),
  )
}

/** Stores a further revision; false, and nothing stored, when another came first. */
export async function reviseThing(
  transaction: AcademyTransaction,
  academyId: string,
  revised: NewThing,
): Promise<boolean> {
  const { preparedId, revisionNo, thing } = revised
  const changed = await transaction
    .update(prepared)
    .set({ revisionNo, nameKey: nameKeyOf(thing), searchText: searchTextOf(thing) })
    .where(and(eq(prepared.preparedId, preparedId), eq(prepared.revisionNo, revisionNo - 1)))
    .returning({ preparedId: prepared.preparedId })
  if (changed.length === 0) return false
  await insertRevisions(transaction, academyId, [revised])
  return true
}

export async function setArchived(
  transaction: AcademyTransaction,
  preparedId: string,
  archivedAt: Date | null,
): Promise<void> {
  await transaction.update(prepared).set({ archivedAt }).where(eq(prepared.preparedId, preparedId))
}
