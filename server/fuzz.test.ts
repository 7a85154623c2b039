import { Agent } from 'node:http'
import {
  API_BASE,
  CONTRACT_HEADER,
  ENDPOINTS,
  type Endpoint,
  problem,
  reachOf,
  shotFacts,
  shotList,
} from '@calm-apron/contract'
import { type TestApp, startTestApp } from '@calm-apron/scripts/testing'
import fc from 'fast-check'
import type { Pool } from 'pg'
import { z } from 'zod'
import { liveHub } from './live/hub.ts'
import { databaseOver, openPool } from './database/pool.ts'
import type { House } from './house.ts'
import { digestOf } from './testing/digestOf.ts'
import { type Ids, arbitraryOf } from './testing/arbitraryBody.ts'
import { newId, prepared } from './testing/serve.ts'
import { type Answer, type Shot, sendRaw } from './testing/sendRaw.ts'
import { SELF, takenBodies } from './testing/takenBodies.ts'
import { AWAY, HOME, type Somebody, type World, worldIn } from './testing/world.ts'

/** So many fit the normal run; more by `npm run fuzz -- 100000`. */
const REQUESTS = Number(process.env['FUZZ_REQUESTS'] ?? 5000)
const AT_ONCE = 8
const SEED = 4180
/** To a route that takes nothing there is little to say: cookies, origins, and odd ends of its address. */
const OF_NO_INPUT = 60
const SHOTS = 12

let app: TestApp
let pool: Pool
let house: House
let world: World
const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE })

// The compiled server in a process of its own, as it is really run; here only what asks it and what looks behind it.
beforeAll(async () => {
  app = await startTestApp('demo')
  pool = openPool(app.database.appUrl, () => undefined)
  const doors = { publicOrigin: app.url, isSecure: false, demoSignIn: true }
  house = { database: databaseOver(pool), now: () => new Date(), doors, live: liveHub('', () => undefined) }
  world = worldIn(house)
  await world.openOther()
})
afterAll(async () => {
  agent.destroy()
  await pool.end()
  await app.remove()
})

const PATH_TRICKS = [
  '%2e%2e%2f',
  '..%5c',
  '%00',
  '%ff',
  '%',
  '%c0%ae',
  '__proto__',
  ';',
  '*',
  'a'.repeat(4000),
]
const COOKIE_TRICKS = [
  '',
  'calm_apron_session=',
  'calm_apron_session=%',
  `calm_apron_session=${'A'.repeat(3000)}`,
  ';;;=',
]

/** One request to an endpoint: mostly with a fitting path and body, sometimes with a trick. */
function requestTo(endpoint: Endpoint, ids: Ids): fc.Arbitrary<Omit<Shot, 'headers'> & { trick: number }> {
  const names = [...endpoint.path.matchAll(/\{(\w+)\}/g)].map(([, name = '']) => name)
  // What is put is made under an id of the caller's own: the last one of its path.
  const isMade = (name: string) => endpoint.method === 'put' && name === names.at(-1)
  const placeOf = (name: string) =>
    fc.oneof(
      { weight: 8, arbitrary: fc.constantFrom(...(ids[name] ?? ids.any)) },
      { weight: 4, arbitrary: fc.constantFrom(...ids.any) },
      { weight: isMade(name) ? 10 : 3, arbitrary: fc.constant('new') },
      { weight: 1, arbitrary: fc.constantFrom(...PATH_TRICKS) },
    )
  const query = arbitraryOf(endpoint.query, ids)
  const body = bodyFor(endpoint, ids)
  return fc
    .record({
      places: fc.tuple(...names.map(placeOf)),
      query,
      body,
      tail: fc.oneof(
        { weight: 30, arbitrary: fc.constant('') },
        { weight: 1, arbitrary: fc.constantFrom('/', '?', '?a[]=1&a[b]=2&__proto__[x]=1', '/..', '//') },
      ),
      trick: fc.nat({ max: 99 }),
    })
    .map((parts) => {
      let next = 0
      const path = endpoint.path.replaceAll(/\{\w+\}/g, () => {
        const chosen = parts.places[next++] ?? ''
        return chosen === 'new' ? newId() : chosen
      })
      return {
        method: endpoint.method.toUpperCase(),
        path: `${API_BASE}${path}${parts.tail}${parts.tail === '' ? searchOf(parts.query) : ''}`,
        body: bodyOf(parts.body, parts.trick),
        trick: parts.trick,
      }
    })
}

function takesInput({ params, query, body }: Endpoint): boolean {
  return body !== null || [params, query].some((each) => Object.keys(each._zod.def.shape).length > 0)
}

/** As often one that is known to be taken. */
function bodyFor(endpoint: Endpoint, ids: Ids): fc.Arbitrary<unknown> {
  if (endpoint.body === null) return fc.constant(null)
  const any = arbitraryOf(endpoint.body, ids)
  const taken = takenBodies(endpoint)
  if (taken.length === 0) return any
  return fc.oneof({ weight: 1, arbitrary: any }, { weight: 1, arbitrary: fc.constantFrom(...taken) })
}

function searchOf(query: unknown): string {
  if (typeof query !== 'object' || query === null) return ''
  const given = Object.entries(query).filter(([, value]) => value !== null && typeof value !== 'object')
  // Halves of characters can't be written in an address at all.
  const escaped = (text: string) => encodeURIComponent(text.replaceAll(/\p{Cs}/gu, '?'))
  const written = given.map(([key, value]) => `${escaped(key)}=${escaped(String(value))}`)
  return written.length === 0 ? '' : `?${written.join('&')}`
}

/** As JSON; now and then cut short, or in bytes that are no text. */
function bodyOf(body: unknown, trick: number): string | Buffer | null {
  if (body === null) return null
  const text = JSON.stringify(body)
  if (trick === 0) return text.slice(0, text.length / 2)
  if (trick === 1) return Buffer.from([0xff, 0xfe, 0x00, ...Buffer.from(text)])
  return text
}

/** A planned request as this asker sends it. */
function asSent<T extends { path: string; body: string | Buffer | null }>(planned: T, personId: string): T {
  const { path, body } = planned
  return {
    ...planned,
    path: path.replaceAll(SELF, personId),
    body: typeof body === 'string' ? body.replaceAll(SELF, personId) : body,
  }
}

/** Headers with which it is sent; now and then not ours. */
function headersOf(cookie: string, trick: number): Record<string, string> {
  return {
    'Content-Type':
      trick === 2 ? 'text/plain' : trick === 3 ? 'application/json; charset=latin9' : 'application/json',
    // Now and then as a page of the last release.
    ...(trick !== 5 && { [CONTRACT_HEADER]: '2' }),
    Origin: trick === 4 ? 'https://elsewhere.invalid' : app.url,
    Cookie: trick >= 5 && trick < 10 ? (COOKIE_TRICKS[trick - 5] ?? '') : cookie,
  }
}

function asJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return `no JSON: ${text}`
  }
}

test(
  `${REQUESTS} requests, valid, broken and hostile, over every route: no 5xx, no hang, no row outside the rules`,
  async () => {
    const away = await world.make('head', AWAY)
    await world.makeShot(await world.make('trainee', AWAY), away)
    const awayBefore = await digestOf(house, AWAY)
    const people: Record<string, Somebody> = {}
    const renew = async (role: 'trainee' | 'trainer' | 'head') => {
      const former = people[role]
      const back = former ? await world.comeBack(former) : null
      return (people[role] = back ?? (await world.make(role)))
    }
    for (const role of ['trainee', 'trainer', 'head'] as const) await renew(role)
    const trainees: string[] = [people['trainee']?.personId ?? '']
    const trainee = people['trainee'] as Somebody
    const shots: string[] = []
    for (let shot = 0; shot < SHOTS; shot += 1) shots.push(await world.makeShot(trainee, trainee))
    const things: string[] = []
    for (const role of ['trainer', 'head'] as const)
      things.push(await world.makeThing(people[role] as Somebody))
    const persons = [SELF, SELF, ...Object.values(people).map(({ personId }) => personId)]
    const known = {
      personId: persons,
      judgedBy: persons,
      recipeRevisionId: [prepared('recipe')],
      barId: [prepared('bar')],
      grinderId: [prepared('grinder')],
      bagId: [prepared('bag')],
      vesselId: [prepared('vessel')],
      basketId: [prepared('basket')],
      parentId: [prepared('bar'), prepared('coffee')],
      preparedId: [prepared('recipe'), prepared('grinder'), prepared('coffee'), ...things],
      shotId: shots,
    }
    const ids: Ids = { ...known, any: [...Object.values(known).flat(), away.personId] }

    const endpoints = Object.entries(ENDPOINTS) as [string, Endpoint][]
    const withInput = endpoints.filter(([, endpoint]) => takesInput(endpoint)).length
    const perRoute = Math.ceil((REQUESTS - OF_NO_INPUT * (endpoints.length - withInput)) / withInput)
    const planned = endpoints
      .flatMap(([name, endpoint]) =>
        fc
          .sample(requestTo(endpoint, ids), {
            numRuns: takesInput(endpoint) ? perRoute : OF_NO_INPUT,
            seed: SEED,
          })
          .map((shot) => ({ name, endpoint, shot })),
      )
      // Routes mixed, always in the same order.
      .map((each, index) => ({ each, place: (index * 7919) % REQUESTS }))
      .sort((a, b) => a.place - b.place)
      .map(({ each }) => each)
    expect(planned.length).toBeGreaterThanOrEqual(REQUESTS)

    const roles = ['trainee', 'trainer', 'head', 'nobody'] as const
    // What a head alone may do would else be done too seldom to be sure of.
    const ofHeads = ['trainee', 'head', 'trainer', 'head', 'head'] as const
    const isOfHeads = ({ action }: Endpoint) => action !== null && reachOf('trainer', action) === 'none'
    const seen = new Map<string, Set<number>>()
    const wrong: string[] = []
    const created: string[] = []
    let next = 0

    async function runner(): Promise<void> {
      for (let at = next++; at < planned.length; at = next++) {
        const entry = planned[at]
        if (!entry) return
        const among = isOfHeads(entry.endpoint) ? ofHeads : roles
        const role = among[at % among.length] ?? 'nobody'
        const asker = people[role]
        const { trick, ...shot } = asSent(entry.shot, asker?.personId ?? newId())
        const cookie = asker?.cookie ?? ''
        const answer = await sendRaw(app.url, agent, { ...shot, headers: headersOf(cookie, trick) })
        seen.set(entry.name, (seen.get(entry.name) ?? new Set()).add(answer.status))
        // A page of the last release is answered in its own shape.
        check(entry.endpoint, shot, answer, trick === 5)
        if (entry.name === 'putShot' && answer.status === 201 && role === 'trainee' && trick !== 5)
          created.push(answer.text)
        // Signed out, ended, erased or given another role by a request of this very run: another one takes over.
        const isGone = answer.text.includes('"not-signed-in"')
        const isDemoted = role === 'head' && answer.text.includes('"not-allowed"')
        if ((isGone || isDemoted) && role !== 'nobody' && trick >= 10) {
          const { personId } = await renew(role)
          if (role === 'trainee') trainees.push(personId)
        }
      }
    }

    function check(
      endpoint: Endpoint,
      { method, path }: Pick<Shot, 'method' | 'path'>,
      { status, text, isCutShort }: Answer,
      isFormer: boolean,
    ): void {
      const where = `${method} ${path.slice(0, 120)} → ${status}`
      // A long document ends where whoever asked is signed out meanwhile; nothing else does.
      if (isCutShort) {
        if (endpoint !== ENDPOINTS.exportPerson) wrong.push(`${where}: cut short`)
      } else if (status >= 500 || status < 200) wrong.push(`${where} ${text.slice(0, 200)}`)
      // Too long a head is refused by Node itself, before there is anything to answer with.
      else if (status >= 400 && status !== 431 && !problem.safeParse(asJson(text)).success)
        wrong.push(`${where}: no problem document`)
      else if (
        !isFormer &&
        status < 300 &&
        !z.safeParse(endpoint.answer, asJson(text)).success &&
        !path.includes('..')
      )
        wrong.push(`${where}: not this endpoint’s answer`)
    }

    await Promise.all(Array.from({ length: AT_ONCE }, runner))

    expect(wrong.slice(0, 20)).toEqual([])
    expect(await digestOf(house, AWAY)).toBe(awayBefore)
    // It got through to the work itself, not only to the checks before it.
    const untouched = [...seen].filter(([, statuses]) => statuses.size < 2).map(([name]) => name)
    expect(untouched).toEqual([])
    for (const name of [
      'putShot',
      'putPerson',
      'putCall',
      'putSlip',
      'changePerson',
      'putInvitation',
      'putPrepared',
    ])
      expect([name, [...(seen.get(name) ?? [])].some((status) => status < 300)]).toEqual([name, true])
    for (const text of created) {
      const { personId, current } = shotList.shape.shots.element.parse(JSON.parse(text))
      expect(trainees).toContain(personId)
      expect(shotFacts.safeParse(current.facts).success).toBe(true)
    }
    // Home still stands, and every fact in it is one that the contract would take.
    const head = await world.make('head')
    const listed = await sendRaw(app.url, agent, {
      method: 'GET',
      path: `${API_BASE}/shots?limit=100`,
      headers: { Cookie: head.cookie, [CONTRACT_HEADER]: '2' },
      body: null,
    })
    expect(shotList.parse(JSON.parse(listed.text)).shots.length).toBeGreaterThan(11)
    expect(HOME).not.toBe(AWAY)
  },
  300_000 + 100 * REQUESTS,
)
