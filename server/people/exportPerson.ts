import type { PersonExport } from '@calm-apron/contract'
import { listTracesOf } from '../audit/queries.ts'
import { leaveTrace } from '../audit/trace.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import { listOwnSessions } from '../doors/sessionQueries.ts'
import type { Errand } from '../http/serve.ts'
import { findShotsOf } from '../shots/queries.ts'
import { listCallsOf, listSlipsOf } from '../tasting/queries.ts'
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
  const document: PersonExport = {
    format: 'calm-apron-person',
    version: 1,
    exportedAt: now.toISOString(),
    person,
    sessions: await listOwnSessions(transaction, personId, actor.sessionId, now),
    shots: await findShotsOf(transaction, personId),
    calls: await listCallsOf(transaction, personId),
    slips: await listSlipsOf(transaction, personId),
    audit: await listTracesOf(transaction, personId),
  }
  const { academyId, personId: actorId } = actor
  await leaveTrace(
    transaction,
    { academyId, kind: 'person-exported', actorId, personId, subjectId: personId },
    now,
  )
  return document
}
