import { type AuditEntry, type PersonExport, type Ruling, withoutForecast } from '@calm-apron/contract'
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
import { assessmentsTold } from '../signOff/readSignOffs.ts'
import { findSkill } from '../skill/queries.ts'
import { takeHomesOf } from '../skill/takeHomeQueries.ts'
import { watchesBy } from '../training/watchQueries.ts'
import { openAmong } from '../tasting/queries.ts'
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
  for await (const items of pages(within, personId, watchesBy, ({ watchId }) => watchId, asOwn))
    yield { list: 'watches', items }
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
  const { takeHomes, skill, assessments } = await within((errand) => learntBy(errand, personId))
  yield { list: 'takeHomes', items: takeHomes }
  yield { list: 'skill', items: skill }
  yield { list: 'assessments', items: assessments }
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

/** More than anybody was given. */
const MOST_TAKE_HOMES = 1000

/** What they were given, and what they can do as their own page says it. */
async function learntBy(errand: Errand, personId: string) {
  const { transaction } = errand
  const found = await findSkill(transaction, personId)
  return {
    takeHomes: await takeHomesOf(transaction, personId, MOST_TAKE_HOMES),
    skill: withoutForecast(found?.families ?? []),
    assessments: await assessmentsTold(errand, personId),
  }
}

/** Page after page, each in a transaction of its own; at least one, so that a list that is empty is there. */
async function* inPages<Page, End>(
  within: Within,
  read: (errand: Errand, after: End | null) => Promise<{ page: Page; end: End | null }>,
): AsyncGenerator<Page> {
  let after: End | null = null
  do {
    const from: End | null = after
    const { page, end }: { page: Page; end: End | null } = await within((errand) => read(errand, from))
    yield page
    after = end
  } while (after !== null)
}

/** Where the next page begins; null where this one was not full. */
function endOf<T, End>(items: readonly T[], limit: number, endAt: (last: T) => End): End | null {
  const last = items.at(-1)
  return items.length < limit || last === undefined ? null : endAt(last)
}

function shotPages(within: Within, personId: string) {
  return inPages(within, async ({ actor, transaction }, after: PageEnd | null) => {
    const ends = await shotsPulledBy(transaction, personId, after, SHOTS_AT_ONCE)
    const ids = ends.map(({ id }) => id)
    const withheld = await withheldFrom({ actor, transaction }, ids)
    const shots = await findShots(
      transaction,
      ids.filter((each) => !withheld.has(each)),
    )
    return { page: { shots, withheld: withheld.size }, end: endOf(ends, SHOTS_AT_ONCE, (last) => last) }
  })
}

/** What of a page whoever asked may read. */
type Shown<T> = (errand: Errand, items: readonly T[]) => Promise<T[]>

function pages<T>(
  within: Within,
  personId: string,
  read: InPages<T>,
  idOf: (item: T) => string,
  shown: Shown<T>,
  limit = ITEMS_AT_ONCE,
): AsyncGenerator<T[]> {
  return inPages(within, async (errand, after: string | null) => {
    const items = await read(errand.transaction, personId, after, limit)
    return { page: await shown(errand, items), end: endOf(items, limit, idOf) }
  })
}

function tracePages(within: Within, personId: string): AsyncGenerator<AuditEntry[]> {
  return inPages(within, async ({ actor, transaction }, after: PageEnd | null) => {
    const entries = await tracesOfPerson(transaction, personId, after, TRACES_AT_ONCE)
    const end = endOf(entries, TRACES_AT_ONCE, ({ at, auditId }) => ({ at, id: auditId }))
    return { page: await asSeenBy(transaction, actor, entries), end }
  })
}

const shotIdOf = ({ shotId }: { shotId: string }) => shotId

/** What somebody else tasted or called is not read before both sides are in, by a head either. */
function unsealed<T extends { shotId: string }>(personId: string): Shown<T> {
  return async ({ actor, transaction }, items) => {
    if (personId === actor.personId) return [...items]
    const open = await openAmong(transaction, items.map(shotIdOf))
    return items.filter(({ shotId }) => open.has(shotId))
  }
}

/** A ruling gives the reading away: it is read like one, but for whoever made it. */
const readable: Shown<Ruling> = async ({ actor, transaction }, items) => {
  const open = await openAmong(transaction, items.map(shotIdOf))
  const withheld = await withheldFrom({ actor, transaction }, items.map(shotIdOf))
  return items.filter(
    ({ shotId, ruledBy }) => ruledBy === actor.personId || (open.has(shotId) && !withheld.has(shotId)),
  )
}

/** What they saw of others is theirs; another's reading is not told by it. */
const asOwn: Shown<PersonExport['watches'][number]> = (_errand, items) => Promise.resolve([...items])

const notBlanked: Shown<PersonExport['photos'][number]> = (_errand, items) =>
  Promise.resolve(items.filter(({ picture }) => picture !== ''))
