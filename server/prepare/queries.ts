import {
  KINDS,
  type PreparedInput,
  type PreparedKind,
  type PreparedQuery,
  type PreparedRecord,
  type PreparedRevision,
  type ThingThen,
  contentVersion,
  kindOf,
  upcast,
} from '@calm-apron/contract'
import { and, asc, desc, eq, getTableColumns, isNotNull, isNull, sql } from 'drizzle-orm'
import { anyOf } from '../database/anyOf.ts'
import { containing } from '../database/containing.ts'
import { filteredQuery, keptQuery } from '../database/keptQuery.ts'
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
function nameKeyOf({ content }: Pick<PreparedInput | PreparedRecord, 'content'>): string {
  return String(content['name']).toLowerCase()
}

/** All that a search may find a thing by: every text its content holds. */
function searchTextOf({ content }: PreparedInput): string {
  return textsOf(content).join(' ').toLowerCase()
}

/** When a thing was used up; null while it is there. */
function overOnOf({ kind, content }: PreparedInput): string | null {
  return kindOf(kind).overOn?.(content) ?? null
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

/** Which things: what is said of them, each with the value it goes by. */
const THINGS = {
  kind: sql`${prepared.kind} = ${sql.placeholder('kind')}`,
  kinds: anyOf(prepared.kind, sql.placeholder('kinds')),
  ids: anyOf(prepared.preparedId, sql.placeholder('ids')),
  parentId: sql`${prepared.parentId} = ${sql.placeholder('parentId')}`,
  isThere: isNull(prepared.archivedAt),
  isArchived: isNotNull(prepared.archivedAt),
  isInUse: isNull(prepared.overOn),
  // Most coffees of a house of years have no bag about.
  notIdle: sql`(${prepared.kind} <> 'coffee' or ${anyOf(prepared.preparedId, sql.placeholder('usedIds'))} or exists (
    select from prepared bag where bag.academy_id = ${prepared.academyId} and bag.parent_id = ${prepared.preparedId}
      and bag.kind = 'bag' and bag.archived_at is null and bag.over_on is null))`,
  words: sql`${prepared.searchText} like all (${sql.placeholder('words')})`,
  after: sql`(${prepared.nameKey}, ${prepared.preparedId}) > (${sql.placeholder('afterKey')}, ${sql.placeholder('afterId')}::uuid)`,
}

const things = filteredQuery(THINGS, [], (builder, where) =>
  builder
    .select({ thing: getTableColumns(prepared), revision: getTableColumns(preparedRevision) })
    .from(prepared)
    .innerJoin(preparedRevision, NEWEST)
    .where(where)
    .orderBy(asc(prepared.nameKey), asc(prepared.preparedId)),
)

/** Things by name, of which all is so that is asked, or the first so many; `values` are what it goes by beside that. */
async function selectThings(
  transaction: AcademyTransaction,
  asked: Partial<Record<keyof typeof THINGS, unknown>>,
  values: {
    afterKey?: string | undefined
    afterId?: string | undefined
    usedIds?: readonly string[]
  } = {},
  most: number | null = null,
): Promise<PreparedRecord[]> {
  const rows = await things(transaction, asked, values, most)
  return rows.map(({ thing, revision }) => toRecord(thing, revision))
}

function wordsOf(search = ''): string[] {
  return search.toLowerCase().split(/\s+/).filter(Boolean)
}

/** One page of things by name, and where it ended if another follows. */
export async function listPrepared(
  transaction: AcademyTransaction,
  query: PreparedQuery,
  after: NameEnd | null,
): Promise<{ things: PreparedRecord[]; end: NameEnd | null }> {
  const { kind, parentId, archived, limit } = query
  const isArchived = archived === 'yes'
  const words = wordsOf(query.search).map(containing)
  const found = await selectThings(
    transaction,
    {
      kind,
      isArchived,
      isThere: !isArchived,
      parentId,
      words: words.length > 0 ? words : undefined,
      after: after ?? undefined,
    },
    { afterKey: after?.nameKey, afterId: after?.preparedId },
    limit + 1,
  )
  const page = found.slice(0, limit)
  const last = page.at(-1)
  const end = found.length > limit && last ? { nameKey: nameKeyOf(last), preparedId: last.preparedId } : null
  return { things: page, end }
}

/** Everything that is not put away, by name. */
export async function allPrepared(
  transaction: AcademyTransaction,
  kinds: readonly PreparedKind[],
): Promise<PreparedRecord[]> {
  return selectThings(transaction, { kinds, isThere: true })
}

/**
 * Everything that is neither put away nor used up, by name; of coffees those of which a bag is about.
 * @param usedIds coffees that are told all the same
 */
export async function preparedInUse(
  transaction: AcademyTransaction,
  kinds: readonly PreparedKind[],
  usedIds: readonly string[],
): Promise<PreparedRecord[]> {
  const asked = { kinds, isThere: true, isInUse: true, notIdle: true }
  return selectThings(transaction, asked, { usedIds })
}

export async function findPrepared(
  transaction: AcademyTransaction,
  preparedIds: readonly string[],
): Promise<PreparedRecord[]> {
  return preparedIds.length === 0 ? [] : selectThings(transaction, { ids: preparedIds })
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
    .where(anyOf(prepared.preparedId, sql.param(preparedIds)))
  return new Map(rows.map(({ preparedId, kind }) => [preparedId, kind]))
}

/** The same, and of what kind of thing a revision is; null where there is none by that id. */
export async function kindsBehind(
  transaction: AcademyTransaction,
  preparedIds: readonly string[],
  revisionIds: readonly string[],
): Promise<{ kinds: Map<string, PreparedKind>; ofRevisions: Map<string, PreparedKind> }> {
  const { rows } = await transaction.execute<{ id: string; kind: PreparedKind; is_revision: boolean }>(sql`
    select prepared_id as id, kind, false as is_revision from prepared where prepared_id = any (${sql.param(preparedIds)}::uuid[])
    union all select r.revision_id, p.kind, true from prepared_revision r
      join prepared p on p.academy_id = r.academy_id and p.prepared_id = r.prepared_id where r.revision_id = any (${sql.param(revisionIds)}::uuid[])`)
  const those = (isRevision: boolean) =>
    new Map(rows.filter((row) => row.is_revision === isRevision).map(({ id, kind }) => [id, kind]))
  return { kinds: those(false), ofRevisions: those(true) }
}

/** What is named, the coffee in a bag that is, and the baskets of a machine that is. */
const NAMED_OR_BEHIND = sql`array(
  select unnest(${sql.placeholder('ids')}::uuid[])
  union select p.parent_id from prepared p where p.prepared_id = any (${sql.placeholder('ids')}) and p.kind = 'bag'
  union select (basket #>> '{}')::uuid
    from prepared_revision r, jsonb_path_query(r.content, '$.groups[*].basketId ? (@ != null)') basket
    where r.prepared_id = any (${sql.placeholder('ids')}))`
const IS_BEFORE = sql`${preparedRevision.changedAt} <= ${sql.placeholder('at')}::timestamptz`
const thingsThen = keptQuery((builder) =>
  builder
    .selectDistinctOn([preparedRevision.preparedId], {
      kind: prepared.kind,
      parentId: prepared.parentId,
      revision: getTableColumns(preparedRevision),
    })
    .from(preparedRevision)
    .innerJoin(prepared, eq(prepared.preparedId, preparedRevision.preparedId))
    .where(anyOf(preparedRevision.preparedId, NAMED_OR_BEHIND))
    .orderBy(
      preparedRevision.preparedId,
      sql`(${IS_BEFORE}) desc, case when ${IS_BEFORE} then ${preparedRevision.revisionNo} else -${preparedRevision.revisionNo} end desc`,
    ),
)

/**
 * Things, and what they lead on to (the coffee in a bag, the baskets of a machine), as they stood at an instant; what was first
 * prepared after it as it was prepared then.
 */
export async function thingsAt(
  transaction: AcademyTransaction,
  preparedIds: readonly string[],
  at: Date,
): Promise<Map<string, ThingThen>> {
  if (preparedIds.length === 0) return new Map()
  const rows = await thingsThen(transaction, { ids: preparedIds, at: at.toISOString() })
  return new Map(
    rows.map(({ kind, parentId, revision }) => [
      revision.preparedId,
      { kind, parentId, content: KINDS[kind].content.parse(toRevision(kind, revision).content) },
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
        overOn: overOnOf(thing),
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
      contentVersion: contentVersion(thing.kind),
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
    .set({ revisionNo, nameKey: nameKeyOf(thing), searchText: searchTextOf(thing), overOn: overOnOf(thing) })
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
