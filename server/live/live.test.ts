import { type LiveNews, liveNews } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import { type TestServer, newId, prepared, serveTest, shotOf } from '../testing/serve.ts'
import { hear, listening } from '../testing/liveLine.ts'
import { bagThing, thingsBy } from '../testing/things.ts'
import { setupOf, stageOf } from '../testing/trainings.ts'
import { type Somebody, type World, worldIn } from '../testing/world.ts'
import { liveHub } from './hub.ts'
import { LATELY_MS } from './lately.ts'

let server: TestServer
let world: World
let here: Awaited<ReturnType<typeof listening>>
let trainee: Somebody
let peer: Somebody
let stranger: Somebody
let trainer: Somebody
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  here = await listening(server.app)
})
afterAll(async () => {
  await here.close()
  await server.stop()
})
beforeEach(async () => {
  trainee = await world.make('trainee')
  peer = await world.make('trainee')
  stranger = await world.make('trainee')
  trainer = await world.make('trainer')
})

const follow = (who: Somebody, enough: (all: LiveNews[]) => boolean) =>
  hear(here.at('/live'), who, liveNews, enough)
const kindsOf = (all: LiveNews[]) => all.map(({ kind }) => kind)
/** What was said of this one among all that happens meanwhile. */
const of = (all: LiveNews[], id: string) => all.filter((news) => JSON.stringify(news).includes(id))

async function startTraining(): Promise<string> {
  const trainingId = newId()
  await server
    .of(trainer)
    .put(`/api/v1/trainings/${trainingId}/events/${newId()}`)
    .send({
      by: trainer.personId,
      at: new Date().toISOString(),
      happening: { kind: 'started', setup: setupOf([trainee, peer]) },
    })
    .expect(201)
  return trainingId
}
const recordShot = async (personId: string, trainingId: string | null = null) => {
  const shotId = newId()
  await server
    .of(trainer)
    .put(`/api/v1/shots/${shotId}`)
    .send({ ...shotOf(), personId, judgedBy: trainer.personId, trainingId })
    .expect(201)
  return shotId
}
const sendStage = (trainingId: string) =>
  server.of(trainee).put(`/api/v1/trainings/${trainingId}/stages/a`).send(stageOf(trainee))
const tellStage = (trainingId: string) => sendStage(trainingId).expect(200)

test('one line tells of all that changes: trainings, shots, what is prepared, people, stages; the first word says that it stands', async () => {
  const { first, all } = await follow(trainer, (heard) => kindsOf(heard).includes('stage'))
  await first
  const trainingId = await startTraining()
  const shotId = await recordShot(trainee.personId, trainingId)
  const bagId = newId()
  await thingsBy(server.of(trainer))
    .put(bagId, bagThing(prepared('coffee')))
    .expect(201)
  await tellStage(trainingId)
  const heard = await all
  expect(heard[0]).toEqual({ kind: 'here' })
  expect(heard).toEqual(
    expect.arrayContaining([
      { kind: 'training', trainingId },
      { kind: 'shot', shotId, trainingId },
      { kind: 'prepared', preparedId: bagId },
      { kind: 'stage', trainingId, stage: expect.objectContaining({ weightG: 18.1 }) },
    ]),
  )
})

test('a trainee hears of their own trainings and shots alone, and of a peer’s shot none of its numbers', async () => {
  const isStage = (heard: LiveNews[]) => kindsOf(heard).includes('stage')
  const own = await follow(trainee, isStage)
  const beside = await follow(peer, isStage)
  const outside = await follow(stranger, (heard) => kindsOf(heard).includes('prepared'))
  await Promise.all([own.first, beside.first, outside.first])
  const trainingId = await startTraining()
  const shotId = await recordShot(trainee.personId, trainingId)
  await tellStage(trainingId)
  // The last of all: whoever hears this has heard what came before.
  await thingsBy(server.of(trainer))
    .put(newId(), bagThing(prepared('coffee')))
    .expect(201)
  expect(of(await own.all, shotId)).toHaveLength(1)
  const peerHeard = await beside.all
  expect(of(peerHeard, shotId)).toEqual([])
  expect(of(peerHeard, trainingId)).toEqual([
    { kind: 'training', trainingId },
    { kind: 'stage', trainingId, stage: expect.objectContaining({ weightG: null, pumpS: 0 }) },
  ])
  const outsideHeard = await outside.all
  expect([...of(outsideHeard, shotId), ...of(outsideHeard, trainingId)]).toEqual([])
})

test('nobody follows who is not signed in', async () => {
  expect((await fetch(here.at('/live'))).status).toBe(401)
})

test('it ends with the session', async () => {
  const { first, all } = await follow(trainee, () => false)
  await first
  await server.of(trainee).delete('/api/v1/session').expect(200)
  const shotId = await recordShot(trainee.personId)
  expect(of(await all, shotId)).toEqual([])
})

test('whoever was allowed to tell a stage tells the next in one statement, until the session ends', async () => {
  const trainingId = await startTraining()
  const doorsClosed = new Promise<void>((resolve) => {
    server.house.live.follow(trainee.academyId, {
      hear: ({ news }) => {
        if (news.kind === 'doors') resolve()
      },
      end: () => undefined,
    })
  })
  await server.house.live.standing()
  const statementsOfOne = async () => {
    const before = server.statements()
    await tellStage(trainingId)
    return server.statements() - before
  }
  expect(await statementsOfOne()).toBeGreaterThan(1)
  // What was told before may still be on its way to the server, and is looked up anew after.
  while ((await statementsOfOne()) > 1);
  await server.of(trainee).delete('/api/v1/session').expect(200)
  await doorsClosed
  await sendStage(trainingId).expect(401)
})

test('a line begun while the server stops is ended at once, and does not keep it', async () => {
  const live = liveHub(server.database.appUrl, () => undefined)
  const own = await listening(server.appWith({ live }))
  await live.close()
  const line = await hear(own.at('/live'), trainer, liveNews, () => false)
  expect(line.status).toBe(200)
  expect(await line.all).toEqual([])
  await own.close()
})

/** A server of its own that has listened for long enough to know what happened of late; no time passes at it. */
async function listenedForLong() {
  let nowMs = 0
  const live = liveHub(
    server.database.appUrl,
    () => undefined,
    () => nowMs,
  )
  const own = await listening(server.appWith({ live }))
  const at = (who: Somebody, enough: (all: LiveNews[]) => boolean) =>
    hear(own.at('/live'), who, liveNews, enough)
  const earlier = await at(trainer, () => false)
  await earlier.first
  nowMs = LATELY_MS
  const close = async () => {
    earlier.leave()
    await live.close()
    await own.close()
  }
  return { live, follow: at, close }
}
const heres = (heard: LiveNews[]) => heard.filter(({ kind }) => kind === 'here').length

test('what happened while a line was begun is said again on it, the last of each thing, to whom it is for', async () => {
  const there = await listenedForLong()
  const trainingId = await startTraining()
  const shotId = await recordShot(trainee.personId, trainingId)
  for (let turn = 0; turn < 3; turn += 1) await tellStage(trainingId)
  // The last of all: once it is known, so is what came before.
  await thingsBy(server.of(trainer))
    .put(newId(), bagThing(prepared('coffee')))
    .expect(201)
  const kindsOfLate = () => (there.live.lately(trainer.academyId) ?? []).map(({ news }) => news.kind)
  while (!kindsOfLate().includes('prepared')) await new Promise((resolve) => setTimeout(resolve, 5))
  const isAll = (heard: LiveNews[]) => kindsOf(heard).includes('prepared')
  const heard = await (await there.follow(trainer, isAll)).all
  expect([heard[0]?.kind, heres(heard)]).toEqual(['here', 1])
  expect(kindsOf(of(heard, trainingId))).toEqual(['training', 'shot', 'stage'])
  expect(of(await (await there.follow(peer, isAll)).all, shotId)).toEqual([])
  await there.close()
})

test('where it is not known what happened meanwhile a new line is told to ask anew for all of it', async () => {
  const { live } = server.house
  const own = await listening(server.appWith({ live: { ...live, lately: () => null } }))
  const { all } = await hear(own.at('/live'), trainer, liveNews, (heard) => heres(heard) === 2)
  expect(kindsOf(await all).slice(0, 2)).toEqual(['here', 'here'])
  await own.close()
})

test('after the line to the database broke all are told to ask anew', async () => {
  const there = await listenedForLong()
  const { first, all } = await there.follow(trainer, (heard) => heres(heard) === 2)
  await first
  await server.house.database.execute(
    sql`select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen %' and datname = current_database()`,
  )
  expect(heres(await all)).toBe(2)
  await there.close()
})

test('readers who go at once leave nothing behind', async () => {
  let following = 0
  const { live } = server.house
  const counting: typeof live = {
    ...live,
    follow: (...given) => {
      following += 1
      const leave = live.follow(...given)
      return () => {
        following -= 1
        leave()
      }
    },
  }
  const own = await listening(server.appWith({ live: counting }))
  const cut = Array.from({ length: 20 }, async () => {
    const stop = new AbortController()
    const asked = fetch(own.at('/live'), { headers: { Cookie: trainee.cookie }, signal: stop.signal })
    stop.abort()
    await expect(asked).rejects.toThrow()
  })
  await Promise.all(cut)
  // One that stays tells that all those before it were looked at.
  const { first, leave } = await hear(own.at('/live'), trainee, liveNews, () => false)
  await first
  // A cut line is noticed in its own time; that it is noticed at all is what counts.
  while (following !== 1) await new Promise((resolve) => setTimeout(resolve, 5))
  leave()
  await own.close()
})

test('nobody follows from more pages than anyone has', async () => {
  const lines = await Promise.all(
    Array.from({ length: 25 }, async () => {
      const stop = new AbortController()
      const { status } = await fetch(here.at('/live'), {
        headers: { Cookie: stranger.cookie },
        signal: stop.signal,
      })
      return { status, stop }
    }),
  )
  expect(lines.map(({ status }) => status).filter((status) => status === 429)).toHaveLength(1)
  for (const { stop } of lines) stop.abort()
})
