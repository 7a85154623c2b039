import {
  AUDIT_KINDS,
  type AuditList,
  type PersonRecord,
  auditList,
  erasurePreview,
  peopleList,
  personExport,
  personRecord,
  shotDetail,
} from '@calm-apron/contract'
import { type Browser, type TestServer, newId, serveTest, shotOf, somebody } from '../testing/serve.ts'
import { PICTURE } from '../testing/things.ts'
import { type Somebody, type World, worldIn } from '../testing/world.ts'

let server: TestServer
let world: World
let head: Browser
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  head = await server.as(somebody('head'))
})
afterAll(() => server.stop())

const change = (personId: string, body: object) => head.patch(`/api/v1/people/${personId}`).send(body)
const traces = async (personId: string) =>
  auditList.parse((await head.get('/api/v1/audit').query({ personId, limit: 100 })).body).entries

test('adding the same person twice is adding them once', async () => {
  const personId = newId()
  const put = (displayName: string) =>
    head.put(`/api/v1/people/${personId}`).send({ displayName, role: 'trainee' })
  await put('Ida Marsh').expect(201)
  await put('Ida Marsh').expect(200)
  await put('Someone Else').expect(409)
  // Also once they have been renamed: what counts is what was sent.
  await change(personId, { basedOnNo: 1, displayName: 'Ida Harbour', why: '' }).expect(200)
  await put('Ida Marsh').expect(200)
  await put('Ida Harbour').expect(409)
  await change(personId, { basedOnNo: 2, displayName: 'Ida Marsh', why: '' }).expect(200)
  const { people } = peopleList.parse((await head.get('/api/v1/people')).body)
  expect(people.filter((each) => each.personId === personId)).toEqual([
    // In the demo anyone is come in as by a tap, so nobody waits for an invitation.
    expect.objectContaining({ displayName: 'Ida Marsh', state: 'active', signInName: null }),
  ])
})

test('no name looks like somebody else’s, and none holds what nobody sees', async () => {
  await world.make('trainer')
  const put = (displayName: string, personId = newId()) =>
    head.put(`/api/v1/people/${personId}`).send({ displayName, role: 'trainee' })
  await put('Sorrel Vane').expect(201)
  // Two may bear one name.
  await put('Sorrel Vane').expect(201)
  for (const like of ['Sоrrel Vane', 'Sorrel  Vane', 'sorrel vane'])
    expect([like, (await put(like)).body]).toMatchObject([like, { errors: [{ reason: 'looks-like' }] }])
  expect((await put('Sorrel\u202e Vane').expect(422)).body).toMatchObject({
    errors: [{ path: 'displayName', reason: 'hidden-letter' }],
  })
  const { personId } = await world.make('trainee')
  expect(
    (await change(personId, { basedOnNo: 1, displayName: 'Sоrrel Vane', why: '' }).expect(422)).body,
  ).toMatchObject({ errors: [{ reason: 'looks-like' }] })
})

test('of two who change a person at once one is told, with both versions', async () => {
  const { personId } = await world.make('trainer')
  const answers = await Promise.all([
    change(personId, { basedOnNo: 1, role: 'head', why: 'steps up' }),
    change(personId, { basedOnNo: 1, role: 'trainee', why: 'wants to learn' }),
  ])
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 412])
  const loser = answers.find(({ status }) => status === 412)
  expect(loser?.body).toMatchObject({
    versions: { current: { personId, revisionNo: 2 }, yours: { basedOnNo: 1 } },
  })
})

test('what changes is traced: who, when, before, after and why; a name never by its letters', async () => {
  const { personId, displayName } = await world.make('trainer')
  await change(personId, { basedOnNo: 1, displayName: 'Another Name', role: 'head', why: 'steps up' }).expect(
    200,
  )
  const entries = await traces(personId)
  expect(entries.map(({ kind }) => kind).sort()).toEqual(['person-renamed', 'role-changed'])
  expect(entries.find(({ kind }) => kind === 'role-changed')).toMatchObject({
    actorId: somebody('head'),
    before: { role: 'trainer' },
    after: { role: 'head' },
    why: 'steps up',
  })
  expect(JSON.stringify(entries.map(({ before, after }) => ({ before, after })))).not.toContain(displayName)
})

describe('the last head', () => {
  test('can’t step down, be ended or be erased; with a second one it goes', async () => {
    const own = await serveTest()
    const only = await own.as(somebody('head'))
    const id = somebody('head')
    const patch = (body: object) =>
      only.patch(`/api/v1/people/${id}`).send({ basedOnNo: 1, why: '', ...body })
    for (const body of [{ role: 'trainer' }, { isActive: false }])
      expect((await patch(body)).body).toMatchObject({ status: 409, code: 'last-head' })
    const shown = personRecord.parse(
      ((await only.get('/api/v1/people')).body as { people: unknown[] }).people.find(
        (each) => (each as PersonRecord).personId === id,
      ),
    )
    const erasing = await only.post(`/api/v1/people/${id}/erasure`).send({ displayName: shown.displayName })
    expect(erasing.body).toMatchObject({ code: 'last-head' })
    await worldIn(own.house).make('head')
    await patch({ role: 'trainer' }).expect(200)
    await own.stop()
  })

  test('two heads who demote each other at once: one stays', async () => {
    const own = await serveTest()
    const second = await worldIn(own.house).make('head')
    const first = await own.as(somebody('head'))
    const answers = await Promise.all(
      [second.personId, somebody('head')].map((personId) =>
        first.patch(`/api/v1/people/${personId}`).send({ basedOnNo: 1, role: 'trainer', why: '' }),
      ),
    )
    const statuses = answers.map(({ status }) => status).sort()
    expect(statuses[0]).toBe(200)
    expect([403, 409]).toContain(statuses[1])
    await own.stop()
  })
})

describe('erasing', () => {
  async function withShots(): Promise<{ person: Somebody; shotId: string }> {
    const person = await world.make('trainee')
    const trainer = await world.make('trainer')
    const shotId = await world.makeShot(person, trainer)
    await head
      .put(`/api/v1/shots/${shotId}/revisions/${newId()}`)
      .send({
        basedOnNo: 1,
        judgedBy: somebody('head'),
        reason: 'spilt by Somebody’s elbow',
        correctedAt: '2026-11-23T10:50:00.000Z',
        facts: shotOf({ grindSetting: 11 }).facts,
      })
      .expect(201)
    return { person, shotId }
  }

  test('says first what goes and what stays; then name, sign-in and free text are gone, numbers stay', async () => {
    const { person, shotId } = await withShots()
    const path = `/api/v1/people/${person.personId}/erasure`
    const preview = erasurePreview.parse((await head.get(path).expect(200)).body)
    expect(preview).toMatchObject({ gone: { texts: 1, sessions: 1 }, kept: { shots: 1 } })
    expect(preview.kept.auditEntries).toBeGreaterThanOrEqual(2)
    await head.post(path).send({ displayName: 'Someone Else' }).expect(422)
    await head.post(path).send({ displayName: person.displayName }).expect(200)
    await head.post(path).send({ displayName: person.displayName }).expect(200)

    const shot = shotDetail.parse((await head.get(`/api/v1/shots/${shotId}`).expect(200)).body)
    expect(shot.revisions.map(({ reason }) => reason)).toEqual(['', null])
    expect(shot.current.facts.grindSetting).toBe(11)
    const entries = await traces(person.personId)
    expect(entries.map(({ personName }) => personName)).toEqual(entries.map(() => ''))
    expect(JSON.stringify(entries)).not.toContain('elbow')
    const everywhere = JSON.stringify([
      (await head.get('/api/v1/people')).body,
      (await head.get('/api/v1/today')).body,
      entries,
    ])
    expect(everywhere).not.toContain(person.displayName)
    const signIn = { signInName: person.signInName, password: 'tern-and-thimble-quay' }
    await server.browser().post('/api/v1/session').send(signIn).expect(401)
  })

  test('an erased person can’t be renamed, opened again or invited', async () => {
    const { person } = await withShots()
    await head
      .post(`/api/v1/people/${person.personId}/erasure`)
      .send({ displayName: person.displayName })
      .expect(200)
    await change(person.personId, { basedOnNo: 2, isActive: true, why: '' }).expect(404)
    await change(person.personId, { basedOnNo: 2, displayName: 'Back Again', why: '' }).expect(404)
  })
})

test('the export of one person holds all of theirs and nobody else’s', async () => {
  const person = await world.make('trainee')
  const other = await world.make('trainee')
  const trainer = await world.make('trainer')
  const own = await world.makeShot(person, trainer)
  const others = await world.makeShot(other, trainer)
  const photoOf = (shotId: string, takenBy: Somebody) =>
    server
      .of(takenBy)
      .put(`/api/v1/shots/${shotId}/photos/${newId()}`)
      .send({ takenBy: takenBy.personId, takenAt: new Date().toISOString(), picture: PICTURE })
      .expect(201)
  await photoOf(own, trainer)
  await photoOf(others, trainer)
  const answer = await head.get(`/api/v1/people/${person.personId}/export`).expect(200)
  const document = personExport.parse(answer.body)
  expect(document.person).toMatchObject({ displayName: person.displayName, signInName: person.signInName })
  expect(document.shots.map(({ shotId }) => shotId)).toEqual([own])
  expect(document.sessions).toHaveLength(1)
  expect(document.photos).toMatchObject([{ shotId: own, picture: PICTURE }])
  expect(document.audit.map(({ kind }) => kind)).toContain('shot-recorded')
  const text = JSON.stringify(answer.body)
  expect(text).not.toContain(others)
  expect(text).not.toContain('$argon2')
  expect((await traces(person.personId)).map(({ kind }) => kind)).toContain('person-exported')
})

describe('the trail', () => {
  test('is read in pages and filtered by who, about whom, what and when', async () => {
    const trainer = await world.make('trainer')
    const person = await world.make('trainee')
    for (let shot = 0; shot < 5; shot += 1) await world.makeShot(person, trainer)
    await change(person.personId, { basedOnNo: 1, displayName: 'New Name', why: '' }).expect(200)
    const ask = async (query: object) =>
      auditList.parse((await head.get('/api/v1/audit').query(query).expect(200)).body)
    const about = { personId: person.personId }
    expect((await ask(about)).entries).toHaveLength(6)
    expect((await ask({ ...about, actorId: trainer.personId })).entries).toHaveLength(5)
    expect((await ask({ ...about, kind: 'person-renamed' })).entries).toHaveLength(1)
    expect((await ask({ ...about, until: '2020-01-01' })).entries).toHaveLength(0)
    expect((await ask({ ...about, from: '2020-01-01' })).entries).toHaveLength(6)
    const allOf = async (asked: object) => {
      const seen: AuditList['entries'] = []
      let cursor: string | null = null
      do {
        const page: AuditList = await ask({ ...asked, ...(cursor !== null && { cursor }) })
        seen.push(...page.entries)
        cursor = page.nextCursor
      } while (cursor !== null)
      return seen
    }
    expect(new Set((await allOf({ ...about, limit: 2 })).map(({ auditId }) => auditId)).size).toBe(6)
    // By its kind alone each is a statement of its own.
    const everything = await allOf({ limit: 100 })
    for (const kind of AUDIT_KINDS)
      expect(await allOf({ kind, limit: 2 })).toEqual(everything.filter((each) => each.kind === kind))
    expect(new Set(everything.map(({ kind }) => kind)).size).toBeGreaterThan(5)
  })
})
