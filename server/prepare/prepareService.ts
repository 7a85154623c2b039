import type {
  PreparedChange,
  PreparedDetail,
  PreparedInput,
  PreparedList,
  PreparedQuery,
  PreparedRecord,
} from '@calm-apron/contract'
import { asKind, keeperOf, kindOf, namedBy } from '@calm-apron/contract'
import { leaveTrace } from '../audit/trace.ts'
import { notThere } from '../doors/actor.ts'
import { readNameCursor, writeNameCursor } from '../http/cursor.ts'
import { type Kept, once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { findPerson } from '../people/queries.ts'
import { Refusal } from '../refusal.ts'
import {
  findPrepared,
  findRevision,
  insertThings,
  listPrepared,
  listRevisions,
  reviseThing,
  setArchived,
} from './queries.ts'
import { refuseWrong, wrongReferences } from './namedThings.ts'

/** One page of one kind, by name. */
export async function seePrepared({ transaction }: Errand, query: PreparedQuery): Promise<PreparedList> {
  const after = query.cursor === undefined ? null : readNameCursor(query.cursor)
  const { things, end } = await listPrepared(transaction, query, after)
  return { things, nextCursor: end === null ? null : writeNameCursor(end) }
}

/** @throws {Refusal} `not-found` */
export async function readPrepared({ transaction }: Errand, preparedId: string): Promise<PreparedDetail> {
  const record = await recordOrRefuse(transaction, preparedId)
  return { ...record, revisions: await listRevisions(transaction, preparedId) }
}

async function recordOrRefuse(
  transaction: Errand['transaction'],
  preparedId: string,
): Promise<PreparedRecord> {
  const [record] = await findPrepared(transaction, [preparedId])
  if (!record) throw notThere()
  return record
}

/**
 * Makes a thing. Repeated, it is the one made before.
 * @throws {Refusal} `id-taken` for another body under a used id; `invalid-input` for ids that lead nowhere
 */
export async function makePrepared(
  errand: Errand,
  preparedId: string,
  thing: PreparedInput,
): Promise<Kept<PreparedRecord>> {
  const { actor, transaction, now } = errand
  refuseUnlessHeads(errand, thing)
  return once(errand, {
    ...underId(transaction, preparedId, preparedId),
    body: thing,
    tell: () => recordOrRefuse(transaction, preparedId),
    make: async (bodyDigest) => {
      await refuseBrokenIds(errand, thing)
      const taken = await insertThings(transaction, actor.academyId, [
        {
          preparedId,
          // The first revision goes by the thing's own id, so that repeating the request finds it.
          revisionId: preparedId,
          revisionNo: 1,
          thing,
          bodyDigest,
          changedBy: actor.personId,
          changedAt: now,
        },
      ])
      if (taken.size > 0) throw idTaken()
      await trace(errand, 'prepared-made', preparedId, thing)
      return recordOrRefuse(transaction, preparedId)
    },
  })
}

type Revision = NonNullable<Awaited<ReturnType<typeof findRevision>>>

/** A revision is looked for by its id, and must be of the thing that is named. */
function underId(transaction: Errand['transaction'], revisionId: string, preparedId: string) {
  return {
    id: revisionId,
    find: () => findRevision(transaction, revisionId),
    digestOf: (first: Revision) => first.bodyDigest,
    isOfSame: (first: Revision) => first.preparedId === preparedId,
    taken: TAKEN,
  }
}

/**
 * Changes a thing by a further revision. What a thing belongs to stays.
 * @throws {Refusal} `changed-meanwhile` with both versions; `locked`; `id-taken`; `not-found`; `invalid-input`
 */
export async function changePrepared(
  errand: Errand,
  preparedId: string,
  revisionId: string,
  change: PreparedChange,
): Promise<Kept<PreparedRecord>> {
  const { transaction } = errand
  const current = await recordOrRefuse(transaction, preparedId)
  return once(errand, {
    ...underId(transaction, revisionId, preparedId),
    body: change,
    tell: () => current,
    make: (digest) => revise(errand, current, revisionId, change, digest),
  })
}

async function revise(
  errand: Errand,
  current: PreparedRecord,
  revisionId: string,
  { basedOnNo, thing }: PreparedChange,
  bodyDigest: string,
): Promise<PreparedRecord> {
  const { actor, transaction, now } = errand
  const { preparedId } = current
  if (thing.kind !== current.kind || thing.parentId !== current.parentId) throw idTaken()
  refuseIfLocked(errand, current)
  await refuseBrokenIds(errand, thing)
  const isFirst = await reviseThing(transaction, actor.academyId, {
    preparedId,
    revisionId,
    revisionNo: basedOnNo + 1,
    thing,
    bodyDigest,
    changedBy: actor.personId,
    changedAt: now,
  })
  if (!isFirst) {
    throw new Refusal('changed-meanwhile', 'Someone changed this meanwhile.', [], {
      // Read anew: whoever was first may have been so after `current` was read.
      versions: { current: await recordOrRefuse(transaction, preparedId), yours: thing.content },
    })
  }
  await trace(errand, 'prepared-changed', preparedId, thing)
  return recordOrRefuse(transaction, preparedId)
}

/**
 * Puts a thing away or brings it back; doing so twice is doing it once.
 * @throws {Refusal} `locked`, `not-found`
 */
export async function archivePrepared(
  errand: Errand,
  preparedId: string,
  isArchived: boolean,
): Promise<PreparedRecord> {
  const { transaction, now } = errand
  const current = await recordOrRefuse(transaction, preparedId)
  if (current.isArchived === isArchived) return current
  refuseIfLocked(errand, current)
  await setArchived(transaction, preparedId, isArchived ? now : null)
  await trace(errand, isArchived ? 'prepared-archived' : 'prepared-restored', preparedId, current)
  return { ...current, isArchived }
}

/** Some kinds are the house's word: heads alone make and change them. */
export function isForHeadsAlone({ actor }: Errand, { kind }: Pick<PreparedRecord, 'kind'>): boolean {
  return kindOf(kind).isHeads === true && actor.part !== 'head'
}

/** @throws {Refusal} `not-allowed` */
function refuseUnlessHeads(errand: Errand, thing: Pick<PreparedRecord, 'kind'>): void {
  if (isForHeadsAlone(errand, thing)) throw new Refusal('not-allowed', 'This is changed by heads alone.')
}

/** A shared thing may be locked: then only whoever locked it, or a head, changes it. */
export function isLockedFor({ actor }: Errand, record: PreparedRecord): boolean {
  const known = kindOf(record.kind).keeper ? asKind(record, record.kind) : null
  const keeper = known && keeperOf(known)
  return keeper !== null && keeper.personId !== actor.personId && actor.part !== 'head'
}

function refuseIfLocked(errand: Errand, record: PreparedRecord): void {
  refuseUnlessHeads(errand, record)
  if (isLockedFor(errand, record))
    throw new Refusal('locked', 'Somebody locked this; only they or a head may change it.')
}

async function refuseBrokenIds({ transaction }: Errand, thing: PreparedInput): Promise<void> {
  const errors = await wrongReferences(transaction, namedBy(thing))
  const keeper = keeperOf(thing)
  if (keeper !== null && (await findPerson(transaction, keeper.personId, new Date(0))) === null)
    errors.push({
      path: `content.${keeper.path}.personId`,
      reason: 'unknown-id',
      message: 'There is nobody by this id.',
    })
  refuseWrong(errors)
}

const TAKEN = 'Something else was prepared under this id before; it stays as it is.'

function idTaken(): Refusal {
  return new Refusal('id-taken', TAKEN)
}

async function trace(
  { actor, transaction, now }: Errand,
  kind: 'prepared-made' | 'prepared-changed' | 'prepared-archived' | 'prepared-restored',
  subjectId: string,
  thing: { kind: string; content: Record<string, unknown> },
): Promise<void> {
  const { academyId, personId: actorId } = actor
  const after = { kind: thing.kind, name: thing.content['name'] }
  await leaveTrace(transaction, { academyId, kind, actorId, personId: null, subjectId, after }, now)
}
