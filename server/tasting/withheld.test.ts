import { auditList, personExport, tasting } from '@calm-apron/contract'
import { type TestServer, newId, serveTest, shotOf } from '../testing/serve.ts'
import { type Somebody, type World, worldIn } from '../testing/world.ts'

/** What is withheld until both sides have spoken, asked for by every road that could lead to it. */
let server: TestServer
let world: World
let trainee: Somebody
let trainer: Somebody
let head: Somebody
let shotId: string
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  head = await world.make('head')
})
afterAll(() => server.stop())
beforeEach(async () => {
  trainee = await world.make('trainee')
  trainer = await world.make('trainer')
  shotId = await world.makeShot(trainee, trainer)
})

const at = (minutes: number) => new Date(Date.now() + minutes * 60_000).toISOString()
/** Numbers and words that stand in no other record: wherever they are read, they leaked. */
const SECRET = { sour: 9, sweet: 1, bitter: 8, body: 1, dryness: 9 }
const WORDS = 'the zinc gull sings'
const plain = { sour: 3, sweet: 6, bitter: 3, body: 5, dryness: 2 }
const send = (who: Somebody, path: string, body: object) =>
  server.of(who).put(`/api/v1/shots/${shotId}/${path}`).send(body)
const get = (who: Somebody, path: string) => server.of(who).get(`/api/v1/${path}`)
const slip = (who: Somebody, side: 'trainee' | 'trainer', part: object = {}) =>
  send(who, `slips/${newId()}`, {
    ...{ filledBy: who.personId, side, basedOnNo: 0, reason: null, taste: plain, tastedAt: at(0) },
    ...part,
  })
const call = (who: Somebody, part: object = {}) =>
  send(who, `calls/${newId()}`, {
    ...{ calledBy: who.personId, stage: 'final', verdict: 'under', cause: null, move: 'finer' },
    calledAt: at(0),
    ...part,
  })
const seen = async (who: Somebody) =>
  tasting.parse((await get(who, `shots/${shotId}/tasting`).expect(200)).body)

describe('a sealed slip', () => {
  /** Each way to read of a shot, whoever asks. */
  const ROADS = (who: Somebody) => [
    `shots/${shotId}/tasting`,
    `shots/${shotId}`,
    `shots?personId=${trainee.personId}`,
    `people/${trainee.personId}/export`,
    `people/${who.personId}/export`,
    'audit?limit=100',
    'today',
    'prepared?kind=recipe',
    `prepared/${String(shotOf().grinderId)}/worked`,
  ]

  test('is read on no road by anyone but whoever filled it', async () => {
    await slip(trainer, 'trainer', { taste: SECRET }).expect(201)
    for (const who of [trainee, head]) {
      for (const road of ROADS(who)) {
        const text = JSON.stringify((await get(who, road)).body)
        expect([who.role, road, /"sour":9|"dryness":9/.test(text)]).toEqual([who.role, road, false])
      }
    }
    await slip(trainee, 'trainee').expect(201)
    const text = JSON.stringify((await get(head, 'audit?limit=100')).body)
    expect(text).toContain('"sour":9')
  })

  test('nor is what a head wrote over the reading, while the one who pulled is asked for their call', async () => {
    shotId = await world.makeShot(trainee, trainer, { isCallAsked: true })
    const ruling = { ruledBy: head.personId, verdict: 'over', cause: null, move: 'coarser', reason: WORDS }
    await send(head, `rulings/${newId()}`, { ...ruling, ruledAt: at(0) }).expect(201)
    for (const road of ROADS(trainee))
      expect([road, JSON.stringify((await get(trainee, road)).body).includes(WORDS)]).toEqual([road, false])
  })
})

describe('a shot whose call is asked for', () => {
  beforeEach(async () => {
    trainee = await world.make('trainee')
    shotId = await world.makeShot(trainee, trainee, { isCallAsked: true })
  })

  test('is not in its puller’s own export, which says so', async () => {
    const own = async () => personExport.parse((await get(trainee, `people/${trainee.personId}/export`)).body)
    expect(await own()).toMatchObject({ shots: [], withheldShots: 1 })
    const recorded = (await own()).audit.find(({ kind }) => kind === 'shot-recorded')
    expect(recorded).toMatchObject({ subjectId: shotId, after: null })
    await call(trainee).expect(201)
    expect(await own()).toMatchObject({ shots: [{ shotId }], withheldShots: 0 })
  })

  test('is not shown by a correction that comes too late', async () => {
    const correction = (who: Somebody, grindSetting: number) => ({
      basedOnNo: 1,
      judgedBy: who.personId,
      reason: 'a test',
      correctedAt: at(0),
      facts: shotOf({ grindSetting }).facts,
    })
    await send(trainer, `revisions/${newId()}`, correction(trainer, 27)).expect(201)
    const late = await send(trainee, `revisions/${newId()}`, correction(trainee, 9)).expect(412)
    expect(late.body).toMatchObject({ versions: { current: null } })
    const other = await send(trainer, `revisions/${newId()}`, correction(trainer, 9)).expect(412)
    expect(other.body).toMatchObject({ versions: { current: { facts: { grindSetting: 27 } } } })
  })

  test('does not show by the settings that worked', async () => {
    const facts = shotOf({
      grindSetting: 27.5,
      ...{ machineHot: true, basketDry: true, rightBasket: true, bedEven: true, grinderPurged: true },
      dose: { by: 'net', netG: 18.4 },
      clock: { firstDrop: 'marked', firstDropS: 7, stopS: 28, estimated: false },
      cup: { by: 'net', netG: 39 },
    }).facts
    await world.makeShot(trainee, trainer, { isCallAsked: true, facts })
    const worked = async (who: Somebody) =>
      JSON.stringify((await get(who, `prepared/${String(shotOf().grinderId)}/worked`).expect(200)).body)
    expect(await worked(trainer)).toContain(':27.5')
    expect(await worked(trainee)).not.toContain(':27.5')
  })
})

describe('after the slips opened', () => {
  beforeEach(async () => {
    await slip(trainer, 'trainer').expect(201)
    await slip(trainer, 'trainee', { taste: null }).expect(201)
  })

  test('a slip that was written before and comes late is kept, marked, and not counted as blind', async () => {
    await slip(trainee, 'trainee', { taste: SECRET, tastedAt: at(-60) }).expect(201)
    const kept = (await seen(trainer)).slips.find(({ filledBy }) => filledBy === trainee.personId)
    expect(kept).toMatchObject({ revisionNo: 2, taste: SECRET, isBlind: false, isLate: true })
    const blind = (await seen(trainer)).slips.find(
      ({ filledBy, taste }) => filledBy === trainer.personId && taste,
    )
    expect(blind).toMatchObject({ isBlind: true, isLate: false })
  })

  test('one that was written after is no late one, and a change needs its reason', async () => {
    await slip(trainee, 'trainee', { tastedAt: at(1) }).expect(201)
    const change = { basedOnNo: 2, taste: SECRET, tastedAt: at(1) }
    expect((await slip(trainee, 'trainee', change).expect(422)).body).toMatchObject({
      errors: [{ path: 'reason', reason: 'missing' }],
    })
    await slip(trainee, 'trainee', { ...change, reason: 'tasted again, cooler' }).expect(201)
    const own = (await seen(trainee)).slips.filter(({ filledBy }) => filledBy === trainee.personId)
    expect(own.map(({ isBlind, isLate }) => [isBlind, isLate])).toEqual([
      [false, false],
      [false, false],
    ])
  })
})

describe('an assessment', () => {
  const correct = (who: Somebody) =>
    send(who, `revisions/${newId()}`, {
      basedOnNo: 1,
      judgedBy: who.personId,
      reason: 'a test',
      correctedAt: at(0),
      facts: shotOf({ grindSetting: 9 }).facts,
    })
  const aside = async () =>
    (await get(head, 'set-aside')).body as {
      records: { setAsideId: string; write: { kind: string; shotId: string } }[]
    }

  beforeEach(async () => {
    shotId = await world.makeShot(trainee, trainee, { purpose: 'assessment' })
  })

  test('closes with its slips: what the trainee still sends goes aside for the head, who may keep it', async () => {
    await slip(trainee, 'trainee').expect(201)
    await correct(trainee).expect(201)
    await slip(trainer, 'trainer').expect(201)
    expect((await correct(trainee).expect(409)).body).toMatchObject({ code: 'set-aside' })
    const change = { basedOnNo: 1, taste: SECRET }
    expect((await slip(trainee, 'trainee', change).expect(409)).body).toMatchObject({ code: 'set-aside' })
    expect((await seen(trainee)).slips).toHaveLength(2)
    const kept = (await aside()).records.filter(({ write }) => write.shotId === shotId)
    expect(kept.map(({ write }) => write.kind).sort()).toEqual(['correction', 'slip'])
    const own = kept.find(({ write }) => write.kind === 'slip')
    await server
      .of(head)
      .post(`/api/v1/set-aside/${own?.setAsideId ?? ''}/decision`)
      .send({ decision: 'keep', why: 'they told me at the bar' })
      .expect(200)
    expect((await seen(trainee)).slips).toHaveLength(3)
  })

  test('is not what a trainee says it is', async () => {
    const put = (part: object) =>
      server
        .of(trainee)
        .put(`/api/v1/shots/${newId()}`)
        .send({ ...shotOf(), personId: trainee.personId, judgedBy: trainee.personId, ...part })
    expect((await put({ purpose: 'assessment' }).expect(422)).body).toMatchObject({
      errors: [{ path: 'purpose', reason: 'not-theirs' }],
    })
    await put({ purpose: 'practice' }).expect(201)
  })
})

test('the trail says of an opened slip what was tasted', async () => {
  await slip(trainer, 'trainer', { taste: SECRET }).expect(201)
  await slip(trainee, 'trainee').expect(201)
  const { entries } = auditList.parse((await get(head, `audit?limit=100&actorId=${trainer.personId}`)).body)
  expect(entries.find(({ kind }) => kind === 'slip-filled')).toMatchObject({ after: { taste: SECRET } })
})
