import { doors, invitationShown, sessionState } from '@calm-apron/contract'
import { type Browser, type TestServer, newId, serveTest, somebody } from '../testing/serve.ts'
import { PASSWORD, PIN, type World, worldIn } from '../testing/world.ts'
import { newToken } from './secrets.ts'
import { offerSetUp } from './setUp.ts'

const START = Date.parse('2026-11-23T08:00:00Z')
const DAY = 86_400_000

let clock = START
let server: TestServer
let world: World
let head: Browser
beforeEach(async () => {
  clock = START
  server = await serveTest({ now: () => new Date(clock) })
  world = worldIn(server.house)
  head = await server.as(somebody('head'))
})
afterEach(() => server.stop())

const add = async (displayName = 'Ida Marsh', role = 'trainee') => {
  const personId = newId()
  await head.put(`/api/v1/people/${personId}`).send({ displayName, role }).expect(201)
  return personId
}
const linkFor = async (personId: string, token = newToken(), invitationId = newId()) => {
  await head.put(`/api/v1/people/${personId}/invitations/${invitationId}`).send({ token }).expect(201)
  return token
}
const look = (token: string) => server.browser().post('/api/v1/invitations/look').send({ token })
const use = (token: string, signInName: string | null, password = PASSWORD) =>
  server.browser().post('/api/v1/invitations/use').send({ token, signInName, password })

describe('an invitation', () => {
  test('says whom it is for, is used once, and then is over', async () => {
    const token = await linkFor(await add())
    const shown = invitationShown.parse((await look(token).expect(200)).body)
    expect(shown).toMatchObject({ displayName: 'Ida Marsh', kind: 'join', signInName: null })
    const answer = await use(token, 'ida@ostrel.invalid').expect(200)
    expect(sessionState.parse(answer.body).person).toMatchObject({
      displayName: 'Ida Marsh',
      role: 'trainee',
    })
    await look(token).expect(410)
    await use(token, 'ida.again@ostrel.invalid').expect(410)
  })

  test('used by two at the same moment it lets one in', async () => {
    const token = await linkFor(await add())
    const answers = await Promise.all([1, 2, 3, 4].map((n) => use(token, `ida${n}@ostrel.invalid`)))
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 410, 410, 410])
  })

  test('runs out after a week, and a new one replaces it', async () => {
    const personId = await add()
    const old = await linkFor(personId)
    const token = await linkFor(personId)
    await look(old).expect(410)
    await look(token).expect(200)
    clock += 7 * DAY
    await look(token).expect(410)
    await use(token, 'ida@ostrel.invalid').expect(410)
  })

  test('the same request again is the same link; another secret under its id is refused', async () => {
    const personId = await add()
    const invitationId = newId()
    const token = await linkFor(personId, newToken(), invitationId)
    const again = (secret: string) =>
      head.put(`/api/v1/people/${personId}/invitations/${invitationId}`).send({ token: secret })
    await again(token).expect(200)
    await again(newToken()).expect(409)
    await use(token, 'ida@ostrel.invalid').expect(200)
  })

  test('a secret that was used for another link is refused', async () => {
    const token = await linkFor(await add())
    const other = await add('Nobody Else')
    await head.put(`/api/v1/people/${other}/invitations/${newId()}`).send({ token }).expect(409)
  })

  test('a sign-in name that is taken, in whichever academy, is refused at its field; the link still holds', async () => {
    await world.openOther()
    const away = await world.make('head', '019a5c00-0000-7001-8000-0000000000b2')
    const token = await linkFor(await add())
    const answer = await use(token, away.signInName).expect(422)
    expect(answer.body).toMatchObject({ errors: [{ path: 'signInName', reason: 'taken' }] })
    await use(token, null).expect(422)
    await use(token, 'ida@ostrel.invalid', 'password123').expect(422)
    await use(token, 'ida@ostrel.invalid').expect(200)
  })

  test('to an account that has ended it is over', async () => {
    const personId = await add()
    const token = await linkFor(personId)
    await head
      .patch(`/api/v1/people/${personId}`)
      .send({ basedOnNo: 1, isActive: false, why: '' })
      .expect(200)
    await look(token).expect(410)
    await head
      .put(`/api/v1/people/${personId}/invitations/${newId()}`)
      .send({ token: newToken() })
      .expect(404)
  })
})

test('a reset link ends every session, the password and the PIN at once, and keeps the sign-in name', async () => {
  const person = await world.make('trainer')
  const browser = server.browser()
  const { signInName, personId } = person
  await browser.post('/api/v1/session').send({ signInName, password: PASSWORD }).expect(200)
  const token = await linkFor(personId)
  await browser.get('/api/v1/session').expect(401)
  await browser.post('/api/v1/session').send({ signInName, password: PASSWORD }).expect(401)
  await browser.post('/api/v1/session/pin').send({ personId, pin: PIN }).expect(401)
  expect((await look(token).expect(200)).body).toMatchObject({ kind: 'reset', signInName })
  const next = 'a-new-one-for-the-bar'
  await use(token, null, next).expect(200)
  await browser.post('/api/v1/session').send({ signInName, password: next }).expect(200)
})

describe('the first set-up', () => {
  const input = (code: string, name = 'Gull Street') => ({
    code,
    academy: { academyId: newId(), name, town: 'Ostrel', timeZone: 'Atlantic/Azores' },
    head: {
      personId: newId(),
      displayName: 'Signe Hallow',
      signInName: `${newId()}@ostrel.invalid`,
      password: PASSWORD,
    },
  })
  const setUp = (body: object) => server.browser().post('/api/v1/set-up').send(body)

  test('asks for the code of the console, makes the academy and its head, and is offered once', async () => {
    const code = (await offerSetUp(server.house)) ?? ''
    const wrong = await setUp(input('AAAA-AAAA')).expect(422)
    expect(wrong.body).toMatchObject({ errors: [{ path: 'code', reason: 'wrong-code' }] })
    const answer = await setUp(input(code.toLowerCase().replace('-', ' '))).expect(200)
    expect(sessionState.parse(answer.body)).toMatchObject({
      person: { role: 'head' },
      academy: { name: 'Gull Street', isDemo: false },
    })
    await setUp(input(code)).expect(409)
    expect(doors.parse((await server.browser().get('/api/v1/doors')).body).canSetUp).toBe(false)
    expect(await offerSetUp(server.house)).toBeNull()
  })

  test('of two at once one makes the academy', async () => {
    const code = (await offerSetUp(server.house)) ?? ''
    const answers = await Promise.all([setUp(input(code, 'One')), setUp(input(code, 'Two'))])
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409])
  })

  test('what can’t be is said at its field, and the code still holds', async () => {
    const code = (await offerSetUp(server.house)) ?? ''
    const good = input(code)
    const answer = await setUp({
      ...good,
      academy: { ...good.academy, timeZone: 'Ostrel/Harbour' },
      head: { ...good.head, password: 'short' },
    }).expect(422)
    const { errors } = answer.body as { errors: { path: string; reason: string }[] }
    expect(errors.map(({ path, reason }) => `${path} ${reason}`).sort()).toEqual([
      'academy.timeZone unknown-zone',
      'head.password too-small',
    ])
    await setUp(good).expect(200)
  })

  test('guessing the code is slowed', async () => {
    const statuses: number[] = []
    for (let attempt = 0; attempt < 64; attempt += 1)
      statuses.push((await setUp(input(`AAAA-AA${attempt}`))).status)
    expect(statuses.slice(0, 60)).toEqual(Array.from({ length: 60 }, () => 422))
    expect(statuses.at(-1)).toBe(429)
  })
})
