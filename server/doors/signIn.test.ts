import { doors, ownSessions, problem, sessionState } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import request from 'supertest'
import { type Browser, ORIGIN, type TestServer, newId, serveTest, somebody } from '../testing/serve.ts'
import { PASSWORD, PIN, type Somebody, type World, worldIn } from '../testing/world.ts'
import { sweepAttempts } from './attemptQueries.ts'
import { THROTTLE } from './limits.ts'

let server: TestServer
let world: World
beforeEach(async () => {
  server = await serveTest()
  world = worldIn(server.house)
})
afterEach(() => server.stop())

const signIn = (browser: Browser, { signInName }: Pick<Somebody, 'signInName'>, password = PASSWORD) =>
  browser.post('/api/v1/session').send({ signInName, password })
const byPin = (browser: Browser, { personId }: Pick<Somebody, 'personId'>, pin = PIN) =>
  browser.post('/api/v1/session/pin').send({ personId, pin })
const sessionOf = (browser: Browser) => browser.get('/api/v1/session')

/** Waits are kept on the database's clock, so a test lets them pass there. */
const letWaitsPass = () =>
  server.house.database.execute(sql`update doors.attempt set blocked_until = clock_timestamp()`)

describe('by password', () => {
  test('the right one opens; capitals and spaces around the name do not matter', async () => {
    const person = await world.make('trainer')
    const browser = server.browser()
    const answer = await signIn(browser, { signInName: ` ${person.signInName.toUpperCase()} ` }).expect(200)
    expect(sessionState.parse(answer.body).person).toEqual({
      personId: person.personId,
      displayName: person.displayName,
      role: 'trainer',
    })
    await sessionOf(browser).expect(200)
  })

  test('an unknown name, a wrong password and an ended account are answered alike', async () => {
    const person = await world.make('trainer')
    const ended = await world.make('trainer')
    const head = await server.as(somebody('head'))
    await head
      .patch(`/api/v1/people/${ended.personId}`)
      .send({ basedOnNo: 1, isActive: false, why: '' })
      .expect(200)
    const answers = await Promise.all([
      signIn(server.browser(), person, 'not-the-password'),
      signIn(server.browser(), { signInName: 'nobody@ostrel.invalid' }),
      signIn(server.browser(), ended),
    ])
    const told = answers.map(({ status, body, headers }) => {
      const { requestId: _requestId, ...rest } = problem.parse(body)
      return { status, rest, cookies: headers['set-cookie'] }
    })
    expect(told[0]?.status).toBe(401)
    expect(told[1]).toEqual(told[0])
    expect(told[2]).toEqual(told[0])
  })

  test('cookies are for the server alone, and for https alone where there is https', async () => {
    const person = await world.make('trainer')
    const plain = await signIn(server.browser(), person).expect(200)
    const lines = plain.headers['set-cookie'] as unknown as string[]
    expect(lines).toHaveLength(2)
    for (const line of lines) expect(line).toMatch(/^calm_apron_.*HttpOnly.*SameSite=Lax/)
    const safe = await serveTest({ doors: { isSecure: true } })
    const own = await worldIn(safe.house).make('trainer')
    const secure = await signIn(safe.browser(), own).expect(200)
    for (const line of secure.headers['set-cookie'] as unknown as string[])
      expect(line).toMatch(/^__Host-calm_apron_.*HttpOnly.*Secure/)
    await safe.stop()
  })

  test('each sign-in makes a new session and ends the one before on that browser', async () => {
    const person = await world.make('trainer')
    const browser = server.browser()
    const first = await signIn(browser, person).expect(200)
    const [firstCookie = ''] = first.headers['set-cookie'] as unknown as string[]
    const second = await signIn(browser, person).expect(200)
    expect(second.body).not.toMatchObject({ sessionId: (first.body as { sessionId: string }).sessionId })
    await request(server.app).get('/api/v1/session').set('Cookie', firstCookie).expect(401)
    await sessionOf(browser).expect(200)
  })

  test('a session id that someone planted before is not taken over', async () => {
    const person = await world.make('trainer')
    const planted = 'A'.repeat(43)
    const answer = await request(server.app)
      .post('/api/v1/session')
      .set('Origin', ORIGIN)
      .set('Cookie', `calm_apron_session=${planted}`)
      .send({ signInName: person.signInName, password: PASSWORD })
      .expect(200)
    expect(JSON.stringify(answer.headers['set-cookie'])).not.toContain(planted)
    await request(server.app)
      .get('/api/v1/session')
      .set('Cookie', `calm_apron_session=${planted}`)
      .expect(401)
  })

  test('a write from another site, or from nowhere, is refused', async () => {
    const person = await world.make('trainer')
    const body = { signInName: person.signInName, password: PASSWORD }
    for (const origin of ['https://elsewhere.invalid', 'null', `${ORIGIN}.evil.invalid`]) {
      const answer = await request(server.app).post('/api/v1/session').set('Origin', origin).send(body)
      expect(answer.body).toMatchObject({ code: 'wrong-origin', status: 403 })
    }
    await request(server.app).post('/api/v1/session').send(body).expect(403)
  })
})

describe('slowed', () => {
  const { free } = THROTTLE.accountFromAddress

  /** Fails so often that the next wait is some ten seconds, which no machine under load lets pass unnoticed. */
  const failOften = async (who: Pick<Somebody, 'signInName'>) => {
    const times = free + 4
    for (let time = 1; time <= times; time += 1) {
      await signIn(server.browser(), who, `wrong-password-${time}`).expect(401)
      if (time < times) await letWaitsPass()
    }
  }

  test('after some wrong tries an account waits, longer each time, and then the right one still opens', async () => {
    const person = await world.make('trainer')
    const waits: number[] = []
    await failOften(person)
    for (let attempt = 0; attempt < 3; attempt += 1) {
      const held = await signIn(server.browser(), person).expect(429)
      expect(held.headers['retry-after']).toBe(String(problem.parse(held.body).retryAfterS))
      waits.push(problem.parse(held.body).retryAfterS ?? 0)
      await letWaitsPass()
      await signIn(server.browser(), person, 'one-more-wrong-one').expect(401)
    }
    expect(waits[1]).toBeGreaterThan(waits[0] ?? Infinity)
    expect(waits[2]).toBeGreaterThan(waits[1] ?? Infinity)
    await letWaitsPass()
    await signIn(server.browser(), person).expect(200)
  })

  test('an unknown name is slowed just as a known one', async () => {
    const nobody = { signInName: 'nobody@ostrel.invalid' }
    await failOften(nobody)
    await signIn(server.browser(), nobody).expect(429)
  })

  test('tries at once do not slip through together', async () => {
    const person = await world.make('trainer')
    await failOften(person)
    await letWaitsPass()
    const tries = Array.from({ length: 10 }, (_, n) => signIn(server.browser(), person, `wrong-one-${n}`))
    const statuses = (await Promise.all(tries)).map(({ status }) => status).sort()
    expect(statuses).toEqual([401, ...Array.from({ length: 9 }, () => 429)])
  })

  test('held up for strangers, a person still comes in on a device that knows them, and so do all others', async () => {
    const person = await world.make('trainer')
    const colleague = await world.make('trainer')
    const own = server.browser()
    await signIn(own, person).expect(200)
    await failOften(person)
    await signIn(server.browser(), person).expect(429)
    await signIn(own, person).expect(200)
    await signIn(server.browser(), colleague).expect(200)
  })

  test('a second server on the same database counts along', async () => {
    const person = await world.make('trainer')
    await failOften(person)
    const second = request.agent(server.beside()).set('Origin', ORIGIN)
    await signIn(second, person).expect(429)
  })
})

test('failed tries are swept once no rule remembers them, and not before', async () => {
  const old = await world.make('trainer')
  const recent = await world.make('trainer')
  await signIn(server.browser(), old, 'not-the-password').expect(401)
  await server.house.database.execute(
    sql`update doors.attempt set last_at = last_at - interval '2 days', forget_at = forget_at - interval '2 days'`,
  )
  await signIn(server.browser(), recent, 'not-the-password').expect(401)
  const count = async () => (await server.house.database.execute(sql`select from doors.attempt`)).rows.length
  const before = await count()
  await sweepAttempts(server.house.database)
  // Gone: what was aimed at the old account, alone and from its address. Kept: the recent one's, and the address's.
  expect([before, await count()]).toEqual([5, 3])
})

describe('by PIN', () => {
  const both = async () => {
    const browser = server.browser()
    const one = await world.make('trainer')
    const two = await world.make('trainer')
    await signIn(browser, one).expect(200)
    await signIn(browser, two).expect(200)
    return { browser, one, two }
  }

  test('two trainers switch on a tablet where both signed in before; a third does not', async () => {
    const { browser, one, two } = await both()
    const asOne = await byPin(browser, one).expect(200)
    expect(asOne.body).toMatchObject({ person: { personId: one.personId } })
    await byPin(browser, two).expect(200)
    const known = doors.parse((await browser.get('/api/v1/doors')).body).devicePeople
    expect(known.map(({ personId }) => personId).sort()).toEqual([one.personId, two.personId].sort())
    const third = await world.make('trainer')
    await byPin(browser, third).expect(401)
    await byPin(server.browser(), one).expect(401)
  })

  test('a wrong PIN, nobody’s PIN and a person without one are answered alike', async () => {
    const { browser, one } = await both()
    const bare = await world.make('trainer')
    await signIn(browser, bare).expect(200)
    await browser.post('/api/v1/account/pin').send({ password: PASSWORD, pin: null }).expect(200)
    const answers = [
      await byPin(browser, one, '000000'),
      await byPin(browser, { personId: newId() }),
      await byPin(browser, bare),
    ]
    const told = answers.map(({ status, body }) => ({ status, detail: problem.parse(body).detail }))
    expect(told).toEqual([told[0], told[0], told[0]])
    expect(told[0]?.status).toBe(401)
  })

  test('after ten wrong ones in a row the tablet asks for the password, and the others go on', async () => {
    const { browser, one, two } = await both()
    for (let attempt = 0; attempt < 10; attempt += 1) {
      await byPin(browser, one, '0000').expect(401)
      await letWaitsPass()
    }
    await byPin(browser, one).expect(401)
    await byPin(browser, two).expect(200)
    await signIn(browser, one).expect(200)
    await byPin(browser, one).expect(200)
  })

  test('wrong ones are remembered for as long as the PIN will do there, however quiet it was between', async () => {
    const { browser, one } = await both()
    for (let attempt = 0; attempt < 10; attempt += 1) {
      await byPin(browser, one, '0000').expect(401)
      await server.house.database.execute(
        sql`update doors.attempt set last_at = last_at - interval '2 days', blocked_until = blocked_until - interval '2 days', forget_at = forget_at - interval '2 days'`,
      )
      await sweepAttempts(server.house.database)
    }
    await byPin(browser, one).expect(401)
  })

  test('those that would be tried first are refused', async () => {
    const { browser } = await both()
    const set = (pin: string) => browser.post('/api/v1/account/pin').send({ password: PASSWORD, pin })
    for (const pin of ['0000', '777777', '1234', '456789', '9876', '3210', '1212', '12121', '909090'])
      expect([pin, (await set(pin)).body]).toMatchObject([
        pin,
        { errors: [{ path: 'pin', reason: 'common' }] },
      ])
    await set('4180').expect(200)
  })

  test('a PIN does not make a sign-in last longer than the password did', async () => {
    const { browser, one } = await both()
    const full = sessionState.parse((await signIn(browser, one).expect(200)).body).endsAt
    expect(sessionState.parse((await byPin(browser, one).expect(200)).body).endsAt).toBe(full)
  })

  test('signing out makes the tablet ask that person for the password', async () => {
    const { browser, two } = await both()
    await browser.delete('/api/v1/session').expect(200)
    await byPin(browser, two).expect(401)
  })

  test('four to six digits, nothing else', async () => {
    const { browser } = await both()
    for (const pin of ['123', '1234567', '12a4', '١٢٣٤'])
      await browser.post('/api/v1/account/pin').send({ password: PASSWORD, pin }).expect(422)
    await browser.post('/api/v1/account/pin').send({ password: 'not-mine-at-all', pin: '1234' }).expect(401)
  })
})

describe('the demo', () => {
  test('its people are offered by name, and come in with a tap', async () => {
    const told = doors.parse((await server.browser().get('/api/v1/doors')).body)
    expect(told.demo?.people).toHaveLength(11)
    expect(told.canSetUp).toBe(true)
    const trainee = await server.as(somebody('trainee'))
    expect(ownSessions.parse((await trainee.get('/api/v1/sessions')).body).sessions[0]).toMatchObject({
      kind: 'demo',
      isThisOne: true,
    })
  })

  test('a server that was not started for it lets nobody in that way, nor tells of them', async () => {
    const shut = await serveTest({ template: 'empty', doors: { demoSignIn: false } })
    expect(doors.parse((await shut.http.get('/api/v1/doors')).body).demo).toBeNull()
    await shut.http
      .post('/api/v1/session/demo')
      .send({ personId: somebody('head') })
      .expect(401)
    await shut.stop()
  })

  test('whoever has a password of their own in the demo is not come in as by a tap', async () => {
    const own = await world.make('trainer')
    const told = doors.parse((await server.browser().get('/api/v1/doors')).body)
    expect(told.demo?.people.map(({ personId }) => personId)).not.toContain(own.personId)
    await server.browser().post('/api/v1/session/demo').send({ personId: own.personId }).expect(401)
  })

  test('a person of a real academy is never come in as by a tap', async () => {
    await world.openOther()
    const away = await world.make('head', '019a5c00-0000-7001-8000-0000000000b2')
    await server.browser().post('/api/v1/session/demo').send({ personId: away.personId }).expect(401)
  })
})
