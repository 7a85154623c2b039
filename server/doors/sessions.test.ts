import { ownSessions } from '@calm-apron/contract'
import { eq } from 'drizzle-orm'
import request from 'supertest'
import { inAcademy } from '../database/inAcademy.ts'
import { session } from '../database/schema/index.ts'
import { ORIGIN, type TestServer, serveTest, somebody } from '../testing/serve.ts'
import { PASSWORD, PIN, type World, worldIn } from '../testing/world.ts'

const START = Date.parse('2026-11-23T08:00:00Z')
const DAY = 86_400_000

let clock = START
let server: TestServer
let world: World
beforeEach(async () => {
  clock = START
  server = await serveTest({ now: () => new Date(clock) })
  world = worldIn(server.house)
})
afterEach(() => server.stop())

const ask = (cookie: string, app = server.app) => request(app).get('/api/v1/session').set('Cookie', cookie)
const write = (cookie: string, method: 'post' | 'delete', path: string, body?: object) =>
  request(server.app)[method](`/api/v1${path}`).set('Cookie', cookie).set('Origin', ORIGIN).send(body)

test('it slides with use, ends after a week without, and after thirty days whatever happens', async () => {
  const used = await world.make('trainer')
  const idle = await world.make('trainer')
  const askOn = (day: number, cookie: string) => {
    clock = START + day * DAY
    return ask(cookie)
  }
  for (const day of [6, 12, 18]) await askOn(day, used.cookie).expect(200)
  await askOn(7.1, idle.cookie).expect(401)
  for (const day of [24, 29.9]) await askOn(day, used.cookie).expect(200)
  await askOn(30, used.cookie).expect(401)
})

test('coming in again removes what is over, and nothing else', async () => {
  const person = await world.make('trainer')
  await world.comeBack(person)
  clock = START + 5 * DAY
  const fresh = await world.comeBack(person)
  const rows = () =>
    inAcademy(server.house.database, person.academyId, (transaction) =>
      transaction.select().from(session).where(eq(session.personId, person.personId)),
    )
  expect(await rows()).toHaveLength(3)
  clock = START + 8 * DAY
  await world.comeBack(person)
  expect(await rows()).toHaveLength(2)
  await ask(fresh?.cookie ?? '').expect(200)
})

test('a stolen cookie is worth nothing after signing out', async () => {
  const person = await world.make('trainer')
  await ask(person.cookie).expect(200)
  await write(person.cookie, 'delete', '/session').expect(200)
  await ask(person.cookie).expect(401)
  await write(person.cookie, 'delete', '/session').expect(401)
})

test('signing out everywhere ends every session, also at another server', async () => {
  const person = await world.make('trainer')
  const second = server.beside()
  const other = request.agent(second).set('Origin', ORIGIN)
  await other.post('/api/v1/session').send({ signInName: person.signInName, password: PASSWORD }).expect(200)
  await other.get('/api/v1/session').expect(200)
  await write(person.cookie, 'delete', '/sessions').expect(200)
  await ask(person.cookie).expect(401)
  await other.get('/api/v1/session').expect(401)
})

test('one’s sessions are listed with device and last use, and each can be ended', async () => {
  const person = await world.make('trainer')
  const phone = request.agent(server.app).set('Origin', ORIGIN).set('User-Agent', 'A phone')
  await phone.post('/api/v1/session').send({ signInName: person.signInName, password: PASSWORD }).expect(200)
  const listed = ownSessions.parse((await ask(person.cookie).then(() => list(person.cookie))).body).sessions
  expect(listed.map(({ device, isThisOne }) => ({ device, isThisOne }))).toEqual(
    expect.arrayContaining([
      { device: 'A phone', isThisOne: false },
      { device: 'Test', isThisOne: true },
    ]),
  )
  const elsewhere = listed.find(({ isThisOne }) => !isThisOne)
  await write(person.cookie, 'delete', `/sessions/${elsewhere?.sessionId ?? ''}`).expect(200)
  await phone.get('/api/v1/session').expect(401)
  // A phone that was lost is not come back to by four digits either.
  await phone.post('/api/v1/session/pin').send({ personId: person.personId, pin: PIN }).expect(401)
  await ask(person.cookie).expect(200)
})
const list = (cookie: string) => request(server.app).get('/api/v1/sessions').set('Cookie', cookie)

test('a new password ends the other sessions, keeps this one, and the old one no longer opens', async () => {
  const person = await world.make('trainer')
  const other = server.browser()
  const by = (password: string) => ({ signInName: person.signInName, password })
  await other.post('/api/v1/session').send(by(PASSWORD)).expect(200)
  const next = 'gulls-over-the-harbour-wall'
  await write(person.cookie, 'post', '/account/password', { current: 'not-the-one-now', next }).expect(401)
  await write(person.cookie, 'post', '/account/password', { current: PASSWORD, next }).expect(200)
  await other.get('/api/v1/session').expect(401)
  await other.post('/api/v1/session/pin').send({ personId: person.personId, pin: PIN }).expect(401)
  await ask(person.cookie).expect(200)
  await server.browser().post('/api/v1/session').send(by(PASSWORD)).expect(401)
  await server.browser().post('/api/v1/session').send(by(next)).expect(200)
})

test.each([
  ['short', 'too-small'],
  ['password123', 'common'],
  ['QWERTYUIOP', 'common'],
  ['aaaaaaaaaaaa', 'common'],
])('the password %s is refused as %s, at its field', async (next, reason) => {
  const person = await world.make('trainer')
  const answer = await write(person.cookie, 'post', '/account/password', { current: PASSWORD, next }).expect(
    422,
  )
  expect(answer.body).toMatchObject({ errors: [{ path: 'next', reason }] })
})

test('one’s own name is no password; any ten letters that are not common are', async () => {
  const person = await world.make('trainer')
  const change = (next: string) =>
    write(person.cookie, 'post', '/account/password', { current: PASSWORD, next })
  const answer = await change(person.signInName).expect(422)
  expect(answer.body).toMatchObject({ errors: [{ path: 'next', reason: 'own-name' }] })
  await change('flohmarktx').expect(200)
})

test('ending an account ends its sessions at once, and opening it again does not bring them back', async () => {
  const person = await world.make('trainer')
  const head = await server.as(somebody('head'))
  const turn = (basedOnNo: number, isActive: boolean) =>
    head.patch(`/api/v1/people/${person.personId}`).send({ basedOnNo, isActive, why: '' }).expect(200)
  await turn(1, false)
  await ask(person.cookie).expect(401)
  await turn(2, true)
  await ask(person.cookie).expect(401)
})

test('a restart, and a second server, know every session', async () => {
  const person = await world.make('trainer')
  await ask(person.cookie, server.beside()).expect(200)
  await ask(person.cookie, server.beside()).expect(200)
})

test('servers whose clocks differ by minutes agree on who is here', async () => {
  const ahead = server.beside(() => new Date(clock + 5 * 60_000))
  const behind = server.beside(() => new Date(clock - 5 * 60_000))
  const person = await world.make('trainer')
  for (const app of [ahead, behind, ahead, server.app]) await ask(person.cookie, app).expect(200)
})
