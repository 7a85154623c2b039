import { type Server, createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import {
  API_BASE,
  CONTRACT_HEADER,
  ENDPOINTS,
  type Endpoint,
  type Endpoints,
  type Part,
  problem,
  problemsOf,
  reachOf,
} from '@calm-apron/contract'
import { openApiDocument } from '@calm-apron/contract/openapi'
import { z } from 'zod'
import { inAcademy } from './database/inAcademy.ts'
import { claim, setAside, trainingEvent } from './database/schema/index.ts'
import { type Asker, ASKERS, type Found, PROBES, type Probe, THINGS, type Thing } from './testing/probes.ts'
import { ORIGIN, type TestServer, newId, serveTest, shotOf } from './testing/serve.ts'
import { keepAssessment } from './testing/signOffThings.ts'
import { AWAY, HOME, type Somebody, type World, worldIn } from './testing/world.ts'

let server: TestServer
let world: World
let url: string
let listening: Server

beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  await world.openOther()
  listening = createServer(server.app)
  await new Promise<void>((resolve) => listening.listen(0, '127.0.0.1', resolve))
  url = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`
})
afterAll(async () => {
  listening.closeAllConnections()
  await new Promise((resolve) => listening.close(resolve))
  await server.stop()
})

const PART_OF: Record<Exclude<Asker, 'nobody'>, Part> = {
  trainee: 'trainee',
  'other trainee': 'trainee',
  trainer: 'trainer',
  head: 'head',
  handed: 'handed',
  'other head': 'head',
}

/** What the table of ACCESS says of this request, given what the probe answers those who may. */
function expectedStatus(endpoint: Endpoint, asker: Asker, thing: Thing, probe: Probe): number {
  const { answers, action = endpoint.action } = probe
  const answer = typeof answers === 'number' ? answers : answers[thing]
  if (action === null) return answer
  if (asker === 'nobody') return 401
  const reach = reachOf(PART_OF[asker], action)
  if (reach === 'none') return 403
  return reach === 'all' || thing === 'own' || typeof answers === 'number' ? answer : 404
}

type Named = keyof Found

const NOTHING: Found = {
  asker: {
    academyId: '',
    personId: '',
    displayName: '',
    signInName: '',
    role: 'trainee',
    cookie: '',
    deviceToken: '',
  },
  part: 'trainee',
  thing: 'missing',
  shotId: '',
  personId: '',
  displayName: '',
  sessionId: '',
  preparedId: '',
  setAsideId: '',
  trainingId: '',
  claimId: '',
  assessmentId: '',
}

/** What of the found things a probe names: only that need be made. */
function namedBy({ ask }: Probe): Set<Named> {
  const named = new Set<Named>()
  const noting = new Proxy(NOTHING, {
    get(found, key: Named) {
      named.add(key)
      return found[key]
    },
  })
  ask(noting)
  return named
}

/** Makes the asker, and what is named so that it is theirs, another's, of the other academy, or missing. */
async function find(
  asker: Asker,
  thing: Thing,
  named: ReadonlySet<Named>,
): Promise<Found & { cookie: string }> {
  const part = asker === 'nobody' ? 'trainee' : PART_OF[asker]
  const isAway = asker === 'other head'
  const own = isAway ? AWAY : HOME
  const elsewhere = isAway ? HOME : AWAY
  const holder = await world.make(part === 'handed' ? 'trainer' : part, own)
  // On a handed tablet it is the trainee who acts, while the session is the trainer's.
  const acting = part === 'handed' ? await world.make('trainee', own) : holder
  const owner =
    thing === 'own' ? acting : await world.make('trainee', thing === 'other academy’s' ? elsewhere : own)
  const made = async (name: Named, make: () => Promise<string>) =>
    thing === 'missing' || !named.has(name) ? newId() : make()
  const shotId = await made('shotId', () => world.makeShot(owner, owner))
  if (part === 'handed') {
    const isOwnShot = thing === 'own' && named.has('shotId')
    await handOver(holder, isOwnShot ? shotId : await world.makeShot(acting, holder))
  }
  return {
    asker: acting,
    part,
    thing,
    cookie: asker === 'nobody' ? '' : holder.cookie,
    shotId,
    personId: thing === 'missing' ? newId() : owner.personId,
    displayName: owner.displayName,
    sessionId: await made('sessionId', () => world.makeSession(owner)),
    preparedId: await made('preparedId', () => world.makeThing(owner)),
    setAsideId: await made('setAsideId', () => keepAside(owner)),
    trainingId: await made('trainingId', () => startTraining(owner)),
    claimId: await made('claimId', () => keepClaim(owner)),
    assessmentId: await made('assessmentId', () => keepAssessment(server.house, owner, owner.personId)),
  }
}

async function handOver({ cookie }: Somebody, shotId: string): Promise<void> {
  const answer = await send(ENDPOINTS.handOver, cookie, { body: { shotId } })
  expect(answer.status).toBe(200)
}

/** A training in which somebody has a seat. */
async function startTraining({ academyId, personId }: Somebody): Promise<string> {
  const trainingId = newId()
  const { barId, recipeRevisionId } = shotOf()
  const at = new Date()
  const seats = [{ personId, machineId: null, groupNo: 0 }]
  const setup = { barId, recipeRevisionId, seats, routineId: null, grinderId: null, bagId: null }
  await inAcademy(server.house.database, academyId, (transaction) =>
    transaction.insert(trainingEvent).values({
      academyId,
      trainingId,
      eventId: newId(),
      by: personId,
      sentBy: personId,
      at,
      receivedAt: at,
      kind: 'started',
      happening: { kind: 'started', setup: { ...setup, purpose: 'practice', grindOwner: 'trainee' } },
      bodyDigest: '',
    }),
  )
  return trainingId
}

/** A record in somebody's name of which they have not spoken yet. */
async function keepClaim({ academyId, personId }: Somebody): Promise<string> {
  const recordId = newId()
  const row = { kind: 'slip', recordId, subjectId: newId(), judgedBy: personId, sentBy: personId } as const
  await inAcademy(server.house.database, academyId, (transaction) =>
    transaction.insert(claim).values({ ...row, academyId, deviceHash: '', claimedAt: new Date() }),
  )
  return recordId
}

async function keepAside({ academyId, personId }: Somebody): Promise<string> {
  const setAsideId = newId()
  const body = { ...shotOf(), personId, judgedBy: personId }
  await inAcademy(server.house.database, academyId, (transaction) =>
    transaction.insert(setAside).values({
      academyId,
      setAsideId,
      judgedBy: personId,
      sentBy: personId,
      receivedAt: new Date(),
      write: { kind: 'shot', shotId: setAsideId, body },
    }),
  )
  return setAsideId
}

async function send(
  { method, path }: Endpoint,
  cookie: string,
  { params = {}, query = {}, body }: { params?: object; query?: object; body?: object },
) {
  const values = new Map<string, unknown>(Object.entries(params))
  const filled = path.replaceAll(/\{(\w+)\}/g, (_, name: string) => String(values.get(name)))
  const search = new URLSearchParams(Object.entries(query) as [string, string][])
  return fetch(`${url}${API_BASE}${filled}?${search}`, {
    method: method.toUpperCase(),
    headers: {
      Origin: ORIGIN,
      [CONTRACT_HEADER]: '2',
      ...(cookie !== '' && { cookie }),
      'Content-Type': 'application/json',
    },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  })
}

const routes = Object.entries(ENDPOINTS) as [keyof Endpoints, Endpoint][]

test('every route of the OpenAPI document has a row', () => {
  const document = openApiDocument('0') as { paths: Record<string, Record<string, { operationId: string }>> }
  const documented = Object.values(document.paths).flatMap((methods) =>
    Object.values(methods).map(({ operationId }) => operationId),
  )
  expect(documented.sort()).toEqual(Object.keys(PROBES).sort())
})

test.each(routes)('%s answers each asker, of each thing, as the table says', async (name, endpoint) => {
  const wrong: string[] = []
  let asked = 0
  for (const probe of PROBES[name]) {
    const named = namedBy(probe)
    const things = typeof probe.answers === 'number' ? (['own'] as const) : THINGS
    for (const asker of ASKERS) {
      // Each asks with people and things of their own, so that they need not wait for one another.
      const heard = await Promise.all(things.map((thing) => askOf(endpoint, probe, named, asker, thing)))
      asked += heard.length
      wrong.push(...heard.flat())
    }
  }
  expect(wrong).toEqual([])
  expect(asked).toBeGreaterThanOrEqual(ASKERS.length)
})

/** What is wrong with the answer to one asker about one thing; nothing where it is as the table says. */
async function askOf(
  endpoint: Endpoint,
  probe: Probe,
  named: ReadonlySet<Named>,
  asker: Asker,
  thing: Thing,
): Promise<string[]> {
  const found = await find(asker, thing, named)
  const answer = await send(endpoint, found.cookie, probe.ask(found))
  const expected = expectedStatus(endpoint, asker, thing, probe)
  const body: unknown = await answer.json()
  if (answer.status !== expected)
    return [`${asker}, ${thing}: ${answer.status} in place of ${expected} ${JSON.stringify(body)}`]
  return isDocumented(endpoint, answer.status, body) ? [] : [`${asker}, ${thing}: undocumented body`]
}

function isDocumented(endpoint: Endpoint, status: number, body: unknown): boolean {
  if (status < 300) return z.safeParse(endpoint.answer, body).success
  const told = problem.safeParse(body)
  return told.success && problemsOf(endpoint).includes(told.data.code)
}

/** Words to the database that a request may take: to come in and to commit are two of them. */
const MOST_STATEMENTS = 14
const MAY_TAKE_MORE: Partial<Record<keyof Endpoints, number>> = {
  // It answers with all revisions, having looked at the newest one first.
  putCorrection: 15,
  // Each of its lists is a transaction of its own; more of them only where a list is longer than its page.
  exportPerson: 33,
}

test('no request takes many statements, whatever it is about', async () => {
  const over: string[] = []
  for (const [name, endpoint] of routes)
    for (const probe of PROBES[name]) {
      const found = await find('head', 'own', namedBy(probe))
      const before = server.statements()
      await (await send(endpoint, found.cookie, probe.ask(found))).text()
      const taken = server.statements() - before
      if (taken > (MAY_TAKE_MORE[name] ?? MOST_STATEMENTS)) over.push(`${name}: ${taken}`)
    }
  expect(over).toEqual([])
})

describe('what lists tell', () => {
  const told = async ({ cookie }: Somebody, endpoint: Endpoint) => (await send(endpoint, cookie, {})).text()
  const LISTS = [ENDPOINTS.today, ENDPOINTS.listPeople, ENDPOINTS.listShots, ENDPOINTS.listAudit]

  test('a head hears of nobody in another academy', async () => {
    const head = await world.make('head')
    const away = await world.make('trainee', AWAY)
    const home = await world.make('trainee')
    await world.makeShot(away, away)
    await world.makeShot(home, head)
    for (const list of LISTS) {
      const text = await told(head, list)
      expect(text).not.toContain(away.personId)
      expect(text).toContain(list === ENDPOINTS.listAudit ? head.personId : home.personId)
    }
  })

  test('a trainee hears of no other trainee, nor of another academy', async () => {
    const trainee = await world.make('trainee')
    const other = await world.make('trainee')
    const trainer = await world.make('trainer')
    const ownShot = await world.makeShot(trainee, trainer)
    const otherShot = await world.makeShot(other, trainer)
    for (const list of [ENDPOINTS.today, ENDPOINTS.listPeople, ENDPOINTS.listShots]) {
      expect(await told(trainee, list)).not.toContain(other.personId)
      expect(await told(trainee, list)).not.toContain(AWAY)
    }
    const shots = await told(trainee, ENDPOINTS.listShots)
    expect([shots.includes(ownShot), shots.includes(otherShot)]).toEqual([true, false])
  })

  test('a trainer sees no sign-in names and no last uses but their own', async () => {
    const trainer = await world.make('trainer')
    const other = await world.make('trainer')
    const people = await told(trainer, ENDPOINTS.listPeople)
    expect(people).toContain(trainer.signInName)
    expect(people).not.toContain(other.signInName)
  })
})
