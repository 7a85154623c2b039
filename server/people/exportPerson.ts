import type { AuditEntry, PersonExport, Ruling } from '@calm-apron/contract'
import { tracesOfPerson } from '../audit/queries.ts'
import { asSeenBy } from '../audit/sealed.ts'
import { leaveTrace } from '../audit/trace.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import { listOwnSessions } from '../doors/sessionQueries.ts'
import type { PageEnd } from '../http/cursor.ts'
import type { Errand } from '../http/serve.ts'
import type { DocumentPart, Within } from '../http/streamed.ts'
import { findShots } from '../shots/queries.ts'
import { withheldFrom } from '../shots/withheld.ts'
import { tastedOf } from '../tasting/queries.ts'
import {
  type InPages,
  callsMadeBy,
  photosAbout,
  rulingsAbout,
  shotsPulledBy,
  slipsFilledBy,
} from './exportQueries.ts'
import { findPerson } from './queries.ts'

type Part = DocumentPart<PersonExport>

/** So many at once: what is held in memory of one export at any time. */
const SHOTS_AT_ONCE = 100
const TRACES_AT_ONCE = 500
/** Of calls, slips and rulings; and of photos, which are large. */
const ITEMS_AT_ONCE = 500
const PHOTOS_AT_ONCE = 10

/**
 * All that is kept of one person, part by part, each in a transaction of its own. A head's asking is traced.
 * @throws {Refusal} `not-found`
 */
export async function* exportPerson(within: Within, personId: string): AsyncGenerator<Part> {
  const head = await within((errand) => begin(errand, personId))
  yield { field: 'format', value: 'calm-apron-person' }
  yield { field: 'version', value: 1 }
  yield { field: 'exportedAt', value: head.exportedAt }
  yield { field: 'person', value: head.person }
  yield { list: 'sessions', items: head.sessions }
  let withheldShots = 0
  for await (const { shots, withheld } of shotPages(within, personId)) {
    withheldShots += withheld
    yield { list: 'shots', items: shots }
  }
  yield { field: 'withheldShots', value: withheldShots }
  for await (const items of pages(within, personId, callsMadeBy, ({ callId }) => callId, unsealed(personId)))
    yield { list: 'calls', items }
  for await (const items of pages(
    within,
    personId,
    slipsFilledBy,
    ({ slipId }) => slipId,
    unsealed(personId),
  ))
    yield { list: 'slips', items }
  for await (const items of pages(within, personId, rulingsAbout, ({ rulingId }) => rulingId, readable))
    yield { list: 'rulings', items }
  for await (const items of pages(
    within,
    personId,
    photosAbout,
    ({ photoId }) => photoId,
    notBlanked,
    PHOTOS_AT_ONCE,
  ))
    yield { list: 'photos', items }
  for await (const items of tracePages(within, personId)) yield { list: 'audit', items }
}

async function begin({ actor, transaction, now }: Errand, personId: string) {
  refuseUnlessOwn(actor, 'export-person', personId === actor.personId)
  const person = await findPerson(transaction, personId, now)
  if (person === null) throw notThere()
  const sessions = await listOwnSessions(transaction, personId, actor.sessionId, now)
  const { academyId, personId: actorId } = actor
  await leaveTrace(
    transaction,
    { academyId, kind: 'person-exported', actorId, personId, subjectId: personId },
    now,
  )
  return { exportedAt: now.toISOString(), person, sessions }
}

/** At least one page, so that a list that is empty is there. */
async function* shotPages(within: Within, personId: string) {
  let after: PageEnd | null = null
  do {
    const from: PageEnd | null = after
    const page = await within(async ({ actor, transaction }) => {
      const ends = await shotsPulledBy(transaction, personId, from, SHOTS_AT_ONCE)
      const ids = ends.map(({ id }) => id)
      const withheld = await withheldFrom({ actor, transaction }, ids)
      const shots = await findShots(
        transaction,
        ids.filter((each) => !withheld.has(each)),
      )
      return { shots, withheld: withheld.size, end: ends.length < SHOTS_AT_ONCE ? null : ends.at(-1) }
    })
    yield page
    after = page.end ?? null
  } while (after !== null)
}

/** What of a page whoever asked may read. */
type Shown<T> = (errand: Errand, items: readonly T[]) => Promise<T[]>

async function* pages<T>(
  within: Within,
  personId: string,
  read: InPages<T>,
  idOf: (item: T) => string,
  shown: Shown<T>,
  limit = ITEMS_AT_ONCE,
): AsyncGenerator<T[]> {
  let after: string | null = null
  do {
    const from: string | null = after
    const page = await within(async (errand) => {
      const items = await read(errand.transaction, personId, from, limit)
      const last = items.at(-1)
      const end = items.length < limit || last === undefined ? null : idOf(last)
      return { items: await shown(errand, items), end }
    })
    yield page.items
    after = page.end
  } while (after !== null)
}

async function* tracePages(within: Within, personId: string): AsyncGenerator<AuditEntry[]> {
  let after: PageEnd | null = null
  do {
    const from: PageEnd | null = after
    const entries: AuditEntry[] = await within(async ({ actor, transaction }) =>
      asSeenBy(transaction, actor, await tracesOfPerson(transaction, personId, from, TRACES_AT_ONCE)),
    )
    yield entries
    const last = entries.at(-1)
    after = entries.length < TRACES_AT_ONCE || last === undefined ? null : { at: last.at, id: last.auditId }
  } while (after !== null)
}

const shotIdOf = ({ shotId }: { shotId: string }) => shotId

/** What somebody else tasted or called is not read before both sides are in, by a head either. */
function unsealed<T extends { shotId: string }>(personId: string): Shown<T> {
  return async ({ actor, transaction }, items) => {
    if (personId === actor.personId) return [...items]
    const open = await tastedOf(transaction, items.map(shotIdOf))
    return items.filter(({ shotId }) => open.has(shotId))
  }
}

/** A ruling gives the reading away: it is read like one, but for whoever made it. */
const readable: Shown<Ruling> = async ({ actor, transaction }, items) => {
  const open = await tastedOf(transaction, items.map(shotIdOf))
  const withheld = await withheldFrom({ actor, transaction }, items.map(shotIdOf))
  return items.filter(
    ({ shotId, ruledBy }) => ruledBy === actor.personId || (open.has(shotId) && !withheld.has(shotId)),
  )
}

const notBlanked: Shown<PersonExport['photos'][number]> = (_errand, items) =>
  Promise.resolve(items.filter(({ picture }) => picture !== ''))
