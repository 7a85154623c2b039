import type { PersonExport } from '@calm-apron/contract'
import { listTracesOf } from '../audit/queries.ts'
import { asSeenBy } from '../audit/sealed.ts'
import { leaveTrace } from '../audit/trace.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import { listOwnSessions } from '../doors/sessionQueries.ts'
import type { Errand } from '../http/serve.ts'
import { findShotsOf } from '../shots/queries.ts'
import { withheldFrom } from '../shots/withheld.ts'
import { listCallsOf, listSlipsOf, tastedOf } from '../tasting/queries.ts'
import { findPerson } from './queries.ts'

/**
 * All that is kept of one person. A head's asking is traced.
 * @throws {Refusal} `not-found`
 */
export async function exportPerson(
  { actor, transaction, now }: Errand,
  personId: string,
): Promise<PersonExport> {
  refuseUnlessOwn(actor, 'export-person', personId === actor.personId)
  const person = await findPerson(transaction, personId, now)
  if (person === null) throw notThere()
  const shots = await findShotsOf(transaction, personId)
  const withheld = await withheldFrom(
    { actor, transaction },
    shots.map(({ shotId }) => shotId),
  )
  const calls = await listCallsOf(transaction, personId)
  const slips = await listSlipsOf(transaction, personId)
  // What somebody else tasted or called is not read before both sides are in, by a head either.
  const open = await tastedOf(
    transaction,
    [...calls, ...slips].map(({ shotId }) => shotId),
  )
  const isShown = ({ shotId }: { shotId: string }) => personId === actor.personId || open.has(shotId)
  const document: PersonExport = {
    format: 'calm-apron-person',
    version: 1,
    exportedAt: now.toISOString(),
    person,
    sessions: await listOwnSessions(transaction, personId, actor.sessionId, now),
    shots: shots.filter(({ shotId }) => !withheld.has(shotId)),
    withheldShots: withheld.size,
    calls: calls.filter(isShown),
    slips: slips.filter(isShown),
    audit: await asSeenBy(transaction, actor, await listTracesOf(transaction, personId)),
  }
  const { academyId, personId: actorId } = actor
  await leaveTrace(
    transaction,
    { academyId, kind: 'person-exported', actorId, personId, subjectId: personId },
    now,
  )
  return document
}
