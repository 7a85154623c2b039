import { type Server, createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import {
  API_BASE,
  CONTRACT_HEADER,
  ENDPOINTS,
  type Endpoint,
  LIVE_PATH,
  type ShotInput,
  shotList,
} from '@calm-apron/contract'
import { ORIGIN, type TestServer, newId, serveTest, shotOf } from './testing/serve.ts'
import { keepAssessment } from './testing/signOffThings.ts'
import { AWAY, type Somebody, type World, worldIn } from './testing/world.ts'

/**
 * A word is planted wherever something is withheld from somebody, and then looked for in every answer that they can
 * have: of each thing that can be read, of what is refused, of the live line, and in the log.
 */
let server: TestServer
let world: World
let url: string
let listening: Server
const log: string[] = []

let trainee: Somebody
let peer: Somebody
let trainer: Somebody
let head: Somebody
let away: Somebody
let ids: Record<string, string>

const AT = '2026-11-23T10:40:00.000Z'
/** Each stands where the one it is named after may not read it. */
const PLANTED = {
  ofPeer: 'zinc-gull-of-a-peer',
  ofAway: 'zinc-gull-from-elsewhere',
  ofAwaitedShot: 'zinc-gull-of-an-awaited-shot',
  ofAwaitedRuling: 'zinc-gull-of-an-awaited-ruling',
  ofSealedSlip: 'zinc-gull-of-a-sealed-slip',
  ofPeersTakeHome: 'zinc-gull-that-a-peer-took-home',
  ofPeersAssessment: 'zinc-gull-of-a-peers-assessment',
  ofShotInSet: 'zinc-gull-of-a-shot-in-a-set',
}

beforeAll(async () => {
  server = await serveTest({ log: (line) => log.push(line) })
  world = worldIn(server.house)
  await world.openOther()
  listening = createServer(server.app)
  await new Promise<void>((resolve) => listening.listen(0, '127.0.0.1', resolve))
  url = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`
  trainee = await world.make('trainee')
  peer = await world.make('trainee')
  trainer = await world.make('trainer')
  head = await world.make('head')
  away = await world.make('head', AWAY)
  ids = await plant()
})
afterAll(async () => {
  listening.closeAllConnections()
  await new Promise((resolve) => listening.close(resolve))
  await server.stop()
})

async function plant(): Promise<Record<string, string>> {
  const noted = (note: string, part: Partial<ShotInput> = {}) => ({ ...part, note })
  const peersShot = await world.makeShot(peer, trainer, noted(PLANTED.ofPeer))
  await world.makeShot(await world.make('trainee', AWAY), away, noted(PLANTED.ofAway))
  const awaited = await world.makeShot(trainee, trainer, noted(PLANTED.ofAwaitedShot, { isCallAsked: true }))
  const sealed = await world.makeShot(trainee, trainer)
  const ruling = {
    verdict: 'over',
    cause: null,
    move: 'coarser',
    reason: PLANTED.ofAwaitedRuling,
    ruledAt: AT,
  }
  await put(trainer, `shots/${awaited}/rulings/${newId()}`, { ...ruling, ruledBy: trainer.personId })
  const slip = { side: 'trainer', basedOnNo: 0, reason: PLANTED.ofSealedSlip, tastedAt: AT }
  const taste = { sour: 3, sweet: 6, bitter: 3, body: 5, dryness: 2 }
  await put(trainer, `shots/${sealed}/slips/${newId()}`, { ...slip, filledBy: trainer.personId, taste })
  await put(trainer, `people/${peer.personId}/take-homes/${newId()}`, { text: PLANTED.ofPeersTakeHome })
  const assessment = await keepAssessment(server.house, peer, trainer.personId, PLANTED.ofPeersAssessment)
  const inSet = { purpose: 'assessment' as const, assessmentId: newId() }
  const shotInSet = await world.makeShot(trainee, trainer, noted(PLANTED.ofShotInSet, inSet))
  return { peersShot, awaited, sealed, assessment, shotInSet, grinderId: String(shotOf().grinderId) }
}

function headersOf({ cookie }: Somebody) {
  return {
    cookie,
    Origin: ORIGIN,
    Host: 'localhost',
    'Content-Type': 'application/json',
    [CONTRACT_HEADER]: '2',
  }
}

async function put(who: Somebody, path: string, body: object): Promise<void> {
  const sent = { method: 'PUT', headers: headersOf(who), body: JSON.stringify(body) }
  expect([path, (await fetch(`${url}${API_BASE}/${path}`, sent)).status]).toEqual([path, 201])
}

/** Every address at which something can be read, with each of the ids that may stand in it. */
function addresses(): string[] {
  const personIds = [trainee, peer, trainer, away].map(({ personId }) => personId)
  const shotIds = ['peersShot', 'awaited', 'sealed', 'shotInSet'].map((name) => ids[name] ?? '')
  const idsOf: Record<string, string[]> = {
    shotId: shotIds,
    personId: personIds,
    preparedId: [ids['grinderId'] ?? ''],
    assessmentId: [ids['assessment'] ?? ''],
    trainingId: [newId()],
  }
  const reads = Object.values<Endpoint>(ENDPOINTS).filter(({ method }) => method === 'get')
  return reads.flatMap(({ path }) => {
    const [, named] = /\{(\w+)\}/.exec(path) ?? []
    const paths =
      named === undefined ? [path] : (idsOf[named] ?? []).map((id) => path.replace(`{${named}}`, id))
    return paths.flatMap((each) =>
      each === '/prepared' ? [`${each}?kind=recipe`] : [each, `${each}?limit=100`],
    )
  })
}

async function everythingToldTo(who: Somebody): Promise<Map<string, string>> {
  const told = new Map<string, string>()
  for (const address of addresses()) {
    const answer = await fetch(`${url}${API_BASE}${address}`, { headers: headersOf(who) })
    told.set(address, await answer.text())
  }
  return told
}

function whereFound(told: ReadonlyMap<string, string>, planted: string): string[] {
  return [...told].filter(([, text]) => text.includes(planted)).map(([address]) => address)
}

test('a trainee reads of no other’s shot, of none that waits for their call, and of no sealed slip, anywhere', async () => {
  const told = await everythingToldTo(trainee)
  expect(told.size).toBeGreaterThan(25)
  for (const planted of Object.values(PLANTED))
    expect([planted, whereFound(told, planted)]).toEqual([planted, []])
})

test('looking for what is planted finds a trainee nothing: not even how many there are', async () => {
  const search = async (who: Somebody, text: string) => {
    const answer = await fetch(`${url}${API_BASE}/shots?text=${text}`, { headers: headersOf(who) })
    return shotList.parse(await answer.json()).shots.length
  }
  for (const planted of Object.values(PLANTED))
    expect([planted, await search(trainee, planted)]).toEqual([planted, 0])
  expect(await search(head, PLANTED.ofPeer)).toBe(1)
  expect(await search(head, PLANTED.ofAwaitedRuling)).toBe(1)
})

test('a head reads of no sealed slip and of no other academy, and of all else', async () => {
  const told = await everythingToldTo(head)
  for (const planted of [PLANTED.ofSealedSlip, PLANTED.ofAway, PLANTED.ofAwaitedRuling])
    expect([planted, whereFound(told, planted)]).toEqual([planted, []])
  for (const planted of [
    PLANTED.ofPeer,
    PLANTED.ofAwaitedShot,
    PLANTED.ofPeersTakeHome,
    PLANTED.ofPeersAssessment,
    PLANTED.ofShotInSet,
  ])
    expect(whereFound(told, planted)).not.toEqual([])
})

test('another academy’s head reads of nothing here', async () => {
  const told = await everythingToldTo(away)
  const { ofAway, ...ours } = PLANTED
  for (const planted of Object.values(ours))
    expect([planted, whereFound(told, planted)]).toEqual([planted, []])
  expect(whereFound(told, ofAway)).not.toEqual([])
})

test('what is refused tells none of it, no line is followed by strangers, and the log holds nothing', async () => {
  const correction = { basedOnNo: 9, judgedBy: trainee.personId, reason: 'a test', correctedAt: AT }
  for (const shotId of [ids['peersShot'], ids['awaited'], ids['sealed']]) {
    const answer = await fetch(`${url}${API_BASE}/shots/${shotId ?? ''}/revisions/${newId()}`, {
      method: 'PUT',
      headers: headersOf(trainee),
      body: JSON.stringify({ ...correction, facts: shotOf().facts }),
    })
    expect(answer.status).toBeGreaterThanOrEqual(400)
    expect(await answer.text()).not.toContain('zinc-gull')
  }
  const live = await fetch(`${url}${API_BASE}${LIVE_PATH.replace('{trainingId}', newId())}`, {
    headers: headersOf(trainee),
  })
  expect(live.status).toBe(404)
  expect(log.length).toBeGreaterThan(50)
  expect(log.join('')).not.toContain('zinc-gull')
})
