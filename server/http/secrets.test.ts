import { newId, serveTest, shotOf, somebody } from '../testing/serve.ts'
import { PASSWORD, PIN, worldIn } from '../testing/world.ts'

test('nothing secret and nobody’s name stands in the log, whatever is asked and whatever goes wrong', async () => {
  const lines: string[] = []
  const server = await serveTest({ hasLine: true, log: (line) => lines.push(line) })
  const world = worldIn(server.house)
  const person = await world.make('trainer')
  const browser = server.browser()
  const body = { signInName: person.signInName, password: PASSWORD }
  const signedIn = await browser.post('/api/v1/session').send(body).expect(200)
  await browser
    .post('/api/v1/session')
    .send({ ...body, password: 'wrong-but-still-mine' })
    .expect(401)
  await browser.post('/api/v1/session/pin').send({ personId: person.personId, pin: PIN }).expect(200)
  await browser.get('/api/v1/shots').query({ personId: newId() }).expect(200)
  await browser
    .put(`/api/v1/shots/${newId()}`)
    .send({ ...shotOf(), judgedBy: person.personId })
    .expect(201)
  await browser
    .put(`/api/v1/shots/${newId()}`)
    .send('{"broken')
    .set('Content-Type', 'application/json')
    .expect(400)
  const head = await server.as(somebody('head'))
  const token = 'T0ken'.padEnd(43, 'x')
  const invited = newId()
  await head
    .put(`/api/v1/people/${invited}`)
    .send({ displayName: 'Secretly Named', role: 'trainee' })
    .expect(201)
  await head.put(`/api/v1/people/${invited}/invitations/${newId()}`).send({ token }).expect(201)
  await server.database.cut()
  await browser.get('/api/v1/session').expect(503)
  await server.database.mend()
  await server.stop()

  const log = lines.join('')
  expect(lines.length).toBeGreaterThan(8)
  const [cookie = ''] = signedIn.headers['set-cookie'] as unknown as string[]
  const sessionToken = /=([^;]+)/.exec(cookie)?.[1] ?? 'no cookie was set'
  const secrets = [PASSWORD, 'wrong-but-still-mine', sessionToken, person.deviceToken, token]
  const names = [person.signInName, person.displayName, 'Secretly Named']
  for (const each of [...secrets, ...names]) expect(log).not.toContain(each)
  expect(log).not.toMatch(/"pin"|argon2|cookie/i)
})
