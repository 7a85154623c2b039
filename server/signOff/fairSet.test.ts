import { RULES_VERSION, cupCodes } from '@calm-apron/core'
import { assessingIn, type Begun } from '../testing/assessing.ts'
import { DEMO, type TestServer, newId, serveTest, shotOf } from '../testing/serve.ts'
import { keepProgramme, programmeContent } from '../testing/signOffThings.ts'
import { HOME, type Somebody } from '../testing/world.ts'

let server: TestServer
let assessing: Awaited<ReturnType<typeof assessingIn>>
beforeAll(async () => {
  server = await serveTest()
  assessing = await assessingIn(server)
})
afterAll(() => server.stop())

const ALL = ['dose', 'yield', 'safety']
const ago = (hours: number) => new Date(Date.now() - hours * 3_600_000).toISOString()

test('nobody is signed off by parts alone: a set judges all, or what is open of the one before', async () => {
  const { second, begin, wholeSet, close, decide, setupFor, whyNot } = assessing
  const begun = await begin()
  await wholeSet(begun, [5, 5, 5])
  await close(begun).expect(201)
  await decide(begun)
  const of = (also: object) => ({ kind: 'begun', setup: setupFor(begun.trainee, begun.trainingId, also) })
  const after = begun.assessmentId
  expect(await whyNot(second, of({ parts: ['dose'] }))).toBe('not-due')
  expect(await whyNot(second, of({ parts: ['dose'], after }))).toBe('not-due')
  expect(await whyNot(second, of({ parts: ['yield'], after: newId() }))).toBe('not-due')
  expect(await whyNot(second, of({ parts: ALL, isLook: true }))).toBe('not-due')
  expect(await whyNot(second, of({ parts: ['yield'], after }))).toBe(201)
})

test('two shots look at a sign-off again; whatever comes of them it holds', async () => {
  const { second, begin, wholeSet, pulled, close, decide, signOffs, read } = assessing
  const begun = await begin()
  await wholeSet(begun)
  await close(begun).expect(201)
  await decide(begun)
  async function look(heavyG: number): Promise<void> {
    const its = await begin({ parts: ALL, isLook: true }, begun.trainee)
    await pulled(its, { purpose: 'reference' })
    await pulled(its)
    expect((await read(second, its.assessmentId)).progress?.next).toBe('pull')
    await pulled(its, {}, heavyG)
    expect((await read(second, its.assessmentId)).progress?.next).toBe('close')
    expect((await signOffs(second, begun.trainee)).standing).toMatchObject({ look: its.assessmentId })
    await close(its).expect(201)
    await decide(its)
  }
  await look(5)
  const off = (await signOffs(second, begun.trainee)).standing
  expect(off).toMatchObject({ is: 'signed', lookedAt: null, lookAgain: ['look-off'] })
  await look(0)
  const found = (await signOffs(second, begun.trainee)).standing
  expect(found).toMatchObject({ is: 'signed', lookedAt: expect.any(String), lookAgain: [], look: null })
})

describe('cups by their digits', () => {
  const taste = { sour: 3, sweet: 7, bitter: 3, body: null, dryness: null }

  async function tastedSet() {
    const content = programmeContent('espresso-at-the-bar', { skills: ['taste'], run: NO_RUN })
    const programmeId = await keepProgramme(server.house, HOME, content)
    const its = { programmeId, programmeRevisionId: programmeId, parts: ['taste', 'safety'], isTasted: true }
    const begun = await assessing.begin(its)
    await assessing.wholeSet(begun)
    return begun
  }
  const NO_RUN = { shots: 0, days: 0, bags: 0, readyFrom: 0, callScoreFrom: 0 }
  async function tasteAll(by: Somebody, { assessmentId }: Begun) {
    const { cups } = await assessing.read(by, assessmentId)
    for (const cup of cups.known)
      await assessing.note(by, assessmentId, { kind: 'tasted', cup, taste }).expect(201)
    return cups.known
  }

  test('two who know nothing but them judge the taste; neither is told what the other found before the end', async () => {
    const { trainer, second, read, close } = assessing
    const begun = await tastedSet()
    const known = await tasteAll(second, begun)
    expect(known).toHaveLength(7)
    const other = await read(trainer, begun.assessmentId)
    expect([other.cups.known, other.cups.notes]).toEqual([known, []])
    expect(JSON.stringify(other.events)).not.toContain('sour')
    expect((await read(begun.trainee, begun.assessmentId)).cups).toEqual({ known: [], notes: [] })
    await tasteAll(trainer, begun)
    await close(begun).expect(201)
    const opened = await read(second, begun.assessmentId)
    expect(opened.judged?.[0]).toMatchObject({ part: 'taste', result: 'shown' })
    expect(opened.cups.notes).toHaveLength(14)
  })
  test('one tongue is noted; whoever learns tastes none, and nobody after the end', async () => {
    const { second, trainer, read, note, close } = assessing
    const begun = await tastedSet()
    const { assessmentId, trainee } = begun
    const [cup = ''] = await tasteAll(second, begun)
    await note(trainee, assessmentId, { kind: 'tasted', cup, taste }).expect(403)
    await note(trainer, assessmentId, { kind: 'tasted', cup: '12', taste }).expect(422)
    await close(begun).expect(201)
    const before = await read(second, assessmentId)
    const after = await server
      .of(trainer)
      .put(`/api/v1/assessments/${assessmentId}/events/${newId()}`)
      .send({
        by: trainer.personId,
        at: new Date().toISOString(),
        happening: { kind: 'tasted', cup, taste },
        text: '',
      })
    expect(after.status).toBe(201)
    const told = await read(second, assessmentId)
    expect([told.digest, told.cups.notes.length]).toEqual([before.digest, 7])
    expect(told.judged?.[0]).toMatchObject({ result: 'noted', because: 'one-tongue' })
  })
  test('the digits on the tablet are those that the server knows', async () => {
    const { second, begin, pulled, read } = assessing
    const begun = await begin({ isTasted: true })
    const shotIds = [await pulled(begun, { purpose: 'reference' }), await pulled(begun)]
    const { cups } = await read(second, begun.assessmentId)
    expect(cups.known).toEqual([...cupCodes(shotIds).values()].toSorted())
  })
})

test('what nobody ended opens after a day; what was ended without network in its time counts, however late it is heard', async () => {
  const { begin, wholeSet, pulled, signOffs, second } = assessing
  const left = await begin()
  const shotId = await pulled(left, {}, 0, new Date(ago(25)))
  await server.of(left.trainee).get(`/api/v1/shots/${shotId}`).expect(200)
  const byAWrongClock = await pulled(left, { pulledAt: ago(25) })
  await server.of(left.trainee).get(`/api/v1/shots/${byAWrongClock}`).expect(409)

  const late = await begin({}, undefined, ago(30))
  await wholeSet(late)
  const path = `/api/v1/assessments/${late.assessmentId}/events/${newId()}`
  const closed = {
    by: second.personId,
    at: ago(29),
    happening: { kind: 'closed', why: 'complete' },
    text: '',
  }
  await server.of(second).put(path).send(closed).expect(201)
  expect((await signOffs(second, late.trainee)).standing).toMatchObject({ is: 'to-decide' })
})

test('a set that their trainer began without network is kept, and signed by somebody else', async () => {
  const { world, trainer, second, note, sign, read, wholeSet, close, setupFor, begin } = assessing
  const first = await begin()
  const trainee = await world.make('trainee')
  await world.makeShot(trainee, trainer, { pulledAt: assessing.at() })
  const assessmentId = newId()
  const setup = setupFor(trainee, first.trainingId, { isOffline: true })
  await note(trainer, assessmentId, { kind: 'begun', setup }, 'Without network.').expect(201)
  const begun = { ...first, assessmentId, trainee }
  await wholeSet(begun)
  await close(begun).expect(201)
  const { judged, digest } = await read(trainer, assessmentId)
  const proposed = (judged ?? []).map(({ part, result }) => ({ part, result }))
  const decision = { kind: 'decided', outcomes: proposed, proposed, digest, rulesVersion: RULES_VERSION }
  await sign(trainer, assessmentId, decision).expect(422)
  await sign(second, assessmentId, decision).expect(201)
})

test('a fresh set is pulled once it is asked for, by somebody who has not seen the first, and takes its place', async () => {
  const {
    trainer,
    second,
    head,
    world,
    note,
    whyNot,
    sign,
    signOffs,
    begin,
    wholeSet,
    close,
    decide,
    setupFor,
  } = assessing
  const third = await world.make('trainer')
  const begun = await begin()
  const { assessmentId, trainee, trainingId } = begun
  await wholeSet(begun, [5, 5, 5])
  await close(begun).expect(201)
  await decide(begun)
  const fresh = {
    kind: 'begun',
    setup: setupFor(trainee, trainingId, { parts: ['yield'], after: assessmentId }),
  }
  await note(trainee, assessmentId, { kind: 'appealed' }, 'It was not my cup.').expect(201)
  expect(await whyNot(third, { ...fresh, setup: setupFor(trainee, trainingId) })).toBe('under-appeal')
  const reviewed = { kind: 'reviewed', finding: 'fresh-set', outcomes: [] }
  await note(
    trainer,
    assessmentId,
    { ...reviewed, outcomes: ALL.map((part) => ({ part, result: 'shown' })) },
    'Who knows.',
  ).expect(201)
  expect((await signOffs(trainee, trainee)).standing).toMatchObject({ is: 'under-appeal', afresh: ['yield'] })
  expect(await whyNot(second, fresh)).toBe('has-seen')
  const freshId = newId()
  await note(third, freshId, fresh).expect(201)
  const its = { ...begun, assessmentId: freshId }
  await wholeSet(its)
  await close(its).expect(201)
  await decide(its)
  expect((await signOffs(trainee, trainee)).standing).toMatchObject({ is: 'signed', assessmentId: freshId })
  const settled = { kind: 'settled', outcomes: ALL.map((part) => ({ part, result: 'shown' })) }
  await sign(head, assessmentId, settled, { text: 'By the fresh set.' }).expect(201)
})

test('a grinder that somebody else moved between the shots stands on the record', async () => {
  const { second, trainer, begin, pulled, close, read, world, at } = assessing
  const grinderId = DEMO.prepared.find(({ thing }) => thing.kind === 'grinder')?.preparedId ?? ''
  const begun = await begin({ grinderId })
  const set = { grinderId }
  await pulled(begun, { ...set, purpose: 'reference' })
  await pulled(begun, set)
  const { facts } = shotOf()
  await world.makeShot(trainer, trainer, { ...set, pulledAt: at(), facts: { ...facts, grindSetting: 3 } })
  await pulled(begun, set)
  await close(begun, 'illness', 'Felt unwell.').expect(201)
  expect((await read(second, begun.assessmentId)).notices).toEqual(['grinder-moved-by-another'])
})
