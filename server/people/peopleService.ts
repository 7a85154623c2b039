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
  const record = async () => {
    const found = await findPerson(transaction, personId, now)
    if (found === null) throw notThere()
    return found
  }
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
  { actor, transaction, now }: Errand,
  personId: string,
  change: PersonChange,
): Promise<PersonRecord> {
  const before = await findPerson(transaction, personId, now)
  if (before === null || before.erasedAt !== null) throw notThere()
  const wanted = {
    displayName: change.displayName ?? before.displayName,
    role: change.role ?? before.role,
    isActive: change.isActive ?? before.state !== 'ended',
  }
  const isRenamed = wanted.displayName !== before.displayName
  if (isRenamed) await refuseLookAlike(transaction, personId, wanted.displayName)
  const isMoved = wanted.role !== before.role
  const isTurned = wanted.isActive !== (before.state !== 'ended')
  if (!isRenamed && !isMoved && !isTurned) return before
  const leavesOffice = before.role === 'head' && (wanted.role !== 'head' || !wanted.isActive)
  if (leavesOffice && !(await hasOtherHead(transaction, personId))) throw lastHead()
  const endedAt = wanted.isActive ? null : now
  const isFirst = await updatePerson(transaction, personId, change.basedOnNo, { role: wanted.role, endedAt })
  if (!isFirst) {
    throw new Refusal('changed-meanwhile', 'Someone changed this person meanwhile.', [], {
      // Read anew: whoever was first may have been so after `before` was read.
      versions: { current: await findPerson(transaction, personId, now), yours: change },
    })
  }
  if (isRenamed) await renamePerson(transaction, personId, wanted.displayName)
  if (!wanted.isActive) {
    await removeSessions(transaction, personId)
    await withdrawInvitations(transaction, personId, now)
  }
  const { academyId, personId: actorId } = actor
  const whyTextId =
    change.why === ''
      ? null
      : await keepText(transaction, { academyId, aboutId: personId, writtenBy: actorId, content: change.why })
  const trace = { academyId, actorId, personId, subjectId: personId, whyTextId }
  await leaveTraces(
    transaction,
    [
      // What the name was is not kept: it would outlive an erasure.
      ...(isRenamed ? [{ ...trace, kind: 'person-renamed' as const }] : []),
      ...(isMoved
        ? [
            {
              ...trace,
              kind: 'role-changed' as const,
              before: { role: before.role },
              after: { role: wanted.role },
            },
          ]
        : []),
      ...(isTurned
        ? [{ ...trace, kind: wanted.isActive ? ('person-reopened' as const) : ('person-ended' as const) }]
        : []),
    ],
    now,
  )
  const after = await findPerson(transaction, personId, now)
  if (after === null) throw notThere()
  return after
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
export async function previewErasure(
  { actor, transaction, now }: Errand,
  personId: string,
): Promise<ErasurePreview> {
  const person = await findPerson(transaction, personId, now)
  if (person === null) throw notThere()
  refuseUnlessOwn(actor, 'erase-person', personId === actor.personId)
  const { texts, sessions, ...kept } = await countOfPerson(transaction, personId)
  return { personId, displayName: person.displayName, gone: { texts, sessions }, kept }
}

/**
 * Blanks a person's name and free text for good. Erasing again changes nothing.
 * @throws {Refusal} `last-head`, `not-found`, `invalid-input` when the name typed is not theirs
 */
export async function erase(
  { actor, transaction, now }: Errand,
  personId: string,
  displayName: string,
): Promise<PersonRecord> {
  const person = await findPerson(transaction, personId, now)
  if (person === null) throw notThere()
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
  const after = await findPerson(transaction, personId, now)
  if (after === null) throw notThere()
  return after
}

function lastHead(): Refusal {
  return new Refusal(
    'last-head',
    'This is the only head who can come in. Make someone else head first, or nobody could look after the academy.',
  )
}
