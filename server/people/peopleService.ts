import {
  type ErasurePreview,
  type PersonChange,
  type PersonInput,
  type PersonRecord,
  reachOf,
  skeletonOf,
} from '@calm-apron/contract'
import { keepText, leaveTrace, leaveTraces } from '../audit/trace.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import { removeSessions } from '../doors/sessionQueries.ts'
import { withdrawInvitations } from '../doors/invitationQueries.ts'
import { type Kept, once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { Refusal, refuseField } from '../refusal.ts'
import {
  countOfPerson,
  erasePerson,
  findMaking,
  findPerson,
  hasOtherHead,
  insertPerson,
  listPeople,
  namesOfActive,
  renamePerson,
  updatePerson,
} from './queries.ts'

/** People as far as the asker may see them; sign-in names and last uses only to heads, and one's own. */
export async function seePeople({ actor, transaction, now }: Errand): Promise<PersonRecord[]> {
  const people = await listPeople(
    transaction,
    now,
    reachOf(actor.part, 'see-people') === 'all' ? undefined : actor.personId,
  )
  return people.map((each) =>
    actor.part === 'head' || each.personId === actor.personId
      ? each
      : { ...each, signInName: null, lastSeenAt: null, linkUntil: null },
  )
}

/**
 * Adds a person, who comes in by a link. The same again is the same person.
 * @throws {Refusal} `id-taken`
 */
export async function addPerson(
  errand: Errand,
  personId: string,
  input: PersonInput,
): Promise<Kept<PersonRecord>> {
  const { actor, transaction, now } = errand
  const { academyId, personId: actorId } = actor
  const record = () => personOrRefuse(errand, personId)
  return once(errand, {
    id: personId,
    find: () => findMaking(transaction, personId),
    digestOf: ({ bodyDigest }) => bodyDigest,
    // Of those made before digests were kept only the names of today are known, and only while they are the first.
    isOfSame: ({ bodyDigest, revisionNo, displayName, role }) =>
      bodyDigest !== null || revisionNo > 1 || (displayName === input.displayName && role === input.role),
    body: input,
    tell: record,
    make: async (bodyDigest) => {
      await refuseLookAlike(transaction, personId, input.displayName)
      await insertPerson(transaction, { ...input, academyId, personId, bodyDigest })
      const after = { role: input.role }
      const trace = {
        academyId,
        kind: 'person-added',
        actorId,
        personId,
        subjectId: personId,
        after,
      } as const
      await leaveTrace(transaction, trace, now)
      return record()
    },
    taken: 'Someone else was added under this id.',
  })
}

/**
 * Changes a name or role, ends an account (at once, on every device), or opens it again.
 * @throws {Refusal} `changed-meanwhile` with both versions, `last-head`, `not-found`
 */
export async function changePerson(
  errand: Errand,
  personId: string,
  change: PersonChange,
): Promise<PersonRecord> {
  const { transaction, now } = errand
  const before = await personOrRefuse(errand, personId)
  if (before.erasedAt !== null) throw notThere()
  const wanted = {
    displayName: change.displayName ?? before.displayName,
    role: change.role ?? before.role,
    isActive: change.isActive ?? before.state !== 'ended',
  }
  const does = {
    rename: wanted.displayName !== before.displayName,
    move: wanted.role !== before.role,
    turn: wanted.isActive !== (before.state !== 'ended'),
  }
  if (does.rename) await refuseLookAlike(transaction, personId, wanted.displayName)
  if (!does.rename && !does.move && !does.turn) return before
  const leavesOffice = before.role === 'head' && (wanted.role !== 'head' || !wanted.isActive)
  if (leavesOffice && !(await hasOtherHead(transaction, personId))) throw lastHead()
  const state = { role: wanted.role, endedAt: wanted.isActive ? null : now }
  if (!(await updatePerson(transaction, personId, change.basedOnNo, state))) {
    throw new Refusal('changed-meanwhile', 'Someone changed this person meanwhile.', [], {
      // Read anew: whoever was first may have been so after `before` was read.
      versions: { current: await findPerson(transaction, personId, now), yours: change },
    })
  }
  if (does.rename) await renamePerson(transaction, personId, wanted.displayName)
  if (!wanted.isActive) {
    await removeSessions(transaction, personId)
    await withdrawInvitations(transaction, personId, now)
  }
  await traceChange(errand, before, wanted, { does, why: change.why })
  return personOrRefuse(errand, personId)
}

type Wanted = Pick<PersonRecord, 'displayName' | 'role'> & { isActive: boolean }

/** A trace for each thing that was changed. */
async function traceChange(
  { actor, transaction, now }: Errand,
  before: PersonRecord,
  wanted: Wanted,
  { does, why }: { does: Record<'rename' | 'move' | 'turn', boolean>; why: string },
): Promise<void> {
  const { academyId, personId: actorId } = actor
  const { personId } = before
  const text = { academyId, aboutId: personId, writtenBy: actorId, content: why }
  const whyTextId = why === '' ? null : await keepText(transaction, text)
  const trace = { academyId, actorId, personId, subjectId: personId, whyTextId }
  const moved = { before: { role: before.role }, after: { role: wanted.role } }
  await leaveTraces(
    transaction,
    [
      // What the name was is not kept: it would outlive an erasure.
      ...(does.rename ? [{ ...trace, kind: 'person-renamed' as const }] : []),
      ...(does.move ? [{ ...trace, kind: 'role-changed' as const, ...moved }] : []),
      ...(does.turn
        ? [{ ...trace, kind: wanted.isActive ? ('person-reopened' as const) : ('person-ended' as const) }]
        : []),
    ],
    now,
  )
}

/** @throws {Refusal} `not-found` */
async function personOrRefuse(
  { transaction, now }: Pick<Errand, 'transaction' | 'now'>,
  personId: string,
): Promise<PersonRecord> {
  const found = await findPerson(transaction, personId, now)
  if (found === null) throw notThere()
  return found
}

/**
 * Two may bear one name, and are told apart by more than it; but none may look as if it were another.
 * @throws {Refusal} `invalid-input`
 */
async function refuseLookAlike(
  transaction: Errand['transaction'],
  personId: string,
  displayName: string,
): Promise<void> {
  const looks = skeletonOf(displayName)
  const others = (await namesOfActive(transaction)).filter((each) => each.personId !== personId)
  const like = others.find(
    (each) => each.displayName !== displayName && skeletonOf(each.displayName) === looks,
  )
  if (like !== undefined)
    throw refuseField('displayName', 'looks-like', 'It looks like the name of someone else here.')
}

/** @throws {Refusal} `not-found` */
export async function previewErasure(errand: Errand, personId: string): Promise<ErasurePreview> {
  const { actor, transaction } = errand
  const person = await personOrRefuse(errand, personId)
  refuseUnlessOwn(actor, 'erase-person', personId === actor.personId)
  const { texts, sessions, ...kept } = await countOfPerson(transaction, personId)
  return { personId, displayName: person.displayName, gone: { texts, sessions }, kept }
}

/**
 * Blanks a person's name and free text for good. Erasing again changes nothing.
 * @throws {Refusal} `last-head`, `not-found`, `invalid-input` when the name typed is not theirs
 */
export async function erase(errand: Errand, personId: string, displayName: string): Promise<PersonRecord> {
  const { actor, transaction, now } = errand
  const person = await personOrRefuse(errand, personId)
  if (person.erasedAt !== null) return person
  if (displayName.toLowerCase() !== person.displayName.toLowerCase())
    throw refuseField('displayName', 'other-name', 'That is not their name here. Type it as it stands above.')
  if (person.role === 'head' && !(await hasOtherHead(transaction, personId))) throw lastHead()
  await erasePerson(transaction, personId, now)
  const { academyId, personId: actorId } = actor
  await leaveTrace(
    transaction,
    { academyId, kind: 'person-erased', actorId, personId, subjectId: personId },
    now,
  )
  return personOrRefuse(errand, personId)
}

function lastHead(): Refusal {
  return new Refusal(
    'last-head',
    'This is the only head who can come in. Make someone else head first, or nobody could look after the academy.',
  )
}
