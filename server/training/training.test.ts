import { pastTrainings, training, trainingList } from '@calm-apron/contract'
import { type TrainingSetup, trainingState } from '@calm-apron/core'
import { type TestServer, newId, prepared, serveTest, shotOf } from '../testing/serve.ts'
import { setupOf } from '../testing/trainings.ts'
import { AWAY, type Somebody, type World, worldIn } from '../testing/world.ts'

let server: TestServer
let world: World
let trainee: Somebody
let trainer: Somebody
let trainingId: string
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  await world.openOther()
})
afterAll(() => server.stop())
beforeEach(async () => {
  trainee = await world.make('trainee')
  trainer = await world.make('trainer')
  trainingId = newId()
})

const setup = (part: Partial<TrainingSetup> = {}) => setupOf([trainee], part)
const note = (
  who: Somebody,
  happening: object,
  eventId = newId(),
  at = new Date().toISOString(),
  part: object = {},
) =>
  server
    .of(who)
    .put(`/api/v1/trainings/${trainingId}/events/${eventId}`)
    .send({ by: who.personId, at, happening, ...part })
const get = (who: Somebody, path = '') => server.of(who).get(`/api/v1/trainings${path}`)
const ENDED = { kind: 'ended', left: { rinsed: true, wiped: true, handleBack: true } }
const start = () => note(trainer, { kind: 'started', setup: setup() }).expect(201)

test('what happened is kept once, however often it is sent, and shows how the training stands', async () => {
  const eventId = newId()
  const started = { kind: 'started', setup: setup() }
  const at = new Date().toISOString()
  await note(trainer, started, eventId, at).expect(201)
  await note(trainer, started, eventId, at).expect(200)
  await note(trainer, { kind: 'break-began' }, eventId, at).expect(409)
  await note(trainer, { kind: 'break-began' }).expect(201)
  const { events } = training.parse((await get(trainee, `/${trainingId}`).expect(200)).body)
  expect(events).toHaveLength(2)
  expect(trainingState(events)).toMatchObject({ setup: setup(), startedBy: trainer.personId })
  expect(trainingState(events)?.onBreakSince).not.toBeNull()
})

test('a seat may pull with what is its own, of what is there; a set is pulled by one recipe', async () => {
  const seat = setup().seats[0]
  const by = (part: object, own: object) => ({
    kind: 'started',
    setup: { ...setup(part), seats: [{ ...seat, with: own }] },
  })
  const recipe = prepared('recipe')
  const odd = await note(
    trainer,
    by({}, { recipeRevisionId: prepared('grinder'), grinderId: recipe }),
  ).expect(422)
  for (const part of ['grinderId', 'recipeRevisionId']) {
    const path = `happening.setup.seats.0.with.${part}`
    expect(odd.body).toMatchObject({ errors: expect.arrayContaining([expect.objectContaining({ path })]) })
  }
  const set = by({ purpose: 'assessment' }, { recipeRevisionId: recipe })
  await note(trainer, set).expect(422)
  const also = { alsoRecipeRevisionIds: [recipe] }
  const started = by(also, { recipeRevisionId: recipe, grinderId: null, routineId: prepared('routine') })
  await note(trainer, started).expect(201)
  const { events } = training.parse((await get(trainee, `/${trainingId}`).expect(200)).body)
  expect(trainingState(events)?.setup).toEqual(started.setup)
})

test('one with a seat sees it among the open ones, others don’t; ended, it is open no more', async () => {
  await start()
  const stranger = await world.make('trainee')
  const open = async (who: Somebody) =>
    trainingList
      .parse((await get(who).expect(200)).body)
      .trainings.some((each) => each.trainingId === trainingId)
  expect([await open(trainee), await open(trainer), await open(stranger)]).toEqual([true, true, false])
  await get(stranger, `/${trainingId}`).expect(404)
  await note(trainer, ENDED).expect(201)
  expect(await open(trainer)).toBe(false)
})

test('nothing can happen before it was started, and it is started once', async () => {
  await note(trainer, { kind: 'break-began' }).expect(404)
  await start()
  expect((await note(trainer, { kind: 'started', setup: setup() }).expect(409)).body).toMatchObject({
    code: 'id-taken',
  })
})

describe('what each may do in it', () => {
  const { grinderId, bagId, recipeRevisionId } = shotOf()
  const lock = {
    grinderId,
    bagId,
    recipeRevisionId,
    setting: 14,
    doseG: 18,
    basketId: null,
    innerBurrAt: null,
  }
  const LOCKED = { kind: 'locked', lock: { ...lock, shots: 3, grams: 60, money: null } }

  test('it is led by those who teach: one with a seat ends, changes, breaks, opens and starts nothing', async () => {
    await start()
    const before = (await get(trainer, `/${trainingId}`)).body as unknown
    const happenings = [
      ENDED,
      { kind: 'changed', setup: setup({ grindOwner: 'trainee' }) },
      { kind: 'break-began' },
      { kind: 'break-ended' },
      { kind: 'reopened' },
      { kind: 'started', setup: setup() },
    ]
    for (const happening of happenings)
      expect([happening.kind, (await note(trainee, happening)).status]).toEqual([happening.kind, 403])
    expect((await get(trainer, `/${trainingId}`)).body).toEqual(before)
    trainingId = newId()
    await note(trainee, { kind: 'started', setup: setup() }).expect(403)
  })

  test('one with a seat dials in where whoever leads has let trainees set the grind, and only then', async () => {
    await start()
    await note(trainee, LOCKED).expect(404)
    await note(trainer, { kind: 'changed', setup: setup({ grindOwner: 'trainee' }) }).expect(201)
    await note(trainee, LOCKED).expect(201)
    await note(trainee, { kind: 'unlocked', why: 'dose' }).expect(201)
    await note(await world.make('trainee'), LOCKED).expect(404)
    await note(trainer, ENDED).expect(201)
    await note(trainee, LOCKED).expect(404)
  })

  test('nobody is named as having done it who did not, or may not', async () => {
    await start()
    const head = await world.make('head')
    const by = { by: head.personId }
    expect(
      (await note(trainer, { kind: 'break-began' }, newId(), undefined, by).expect(422)).body,
    ).toMatchObject({
      errors: [{ path: 'by', reason: 'not-at-this-device' }],
    })
    const answer = await note(trainer, { kind: 'break-began' }, newId(), '2098-01-01T00:00:00.000Z').expect(
      201,
    )
    const { events } = training.parse(answer.body)
    expect(Date.parse(events.at(-1)?.at ?? '')).toBeLessThan(Date.now() + 1000)
    expect(events.at(-1)).toMatchObject({ by: trainer.personId, sentBy: trainer.personId })
  })

  test('what it is set up with is there, in this academy; what is elsewhere is as little there as nothing', async () => {
    const away = await world.make('trainee', AWAY)
    const things = { bar: newId(), grinder: await world.makeThing(away) }
    const seat = { machineId: null, groupNo: 0 }
    const wrong: [string, Partial<TrainingSetup>][] = [
      ['barId', { barId: things.bar }],
      ['grinderId', { grinderId: things.grinder }],
      ['bagId', { bagId: String(grinderId) }],
      ['routineId', { routineId: newId() }],
      ['recipeRevisionId', { recipeRevisionId: newId() }],
      ['seats.0.personId', { seats: [{ personId: away.personId, ...seat }] }],
      ['seats.0.machineId', { seats: [{ personId: trainee.personId, ...seat, machineId: newId() }] }],
    ]
    for (const kind of ['started', 'changed']) {
      if (kind === 'changed') await start()
      for (const [field, part] of wrong) {
        const answer = await note(trainer, { kind, setup: setup(part) })
        expect([field, answer.status, answer.body]).toMatchObject([
          field,
          422,
          { errors: [{ path: `happening.setup.${field}`, reason: 'unknown-id' }] },
        ])
      }
    }
  })

  test('nobody tells the stage of somebody else, nor sees its numbers where shots are withheld', async () => {
    await start()
    const stage = { personId: trainer.personId, shotId: newId(), step: 'dose', phase: 'before', pumpS: 0 }
    const answer = await server
      .of(trainee)
      .put(`/api/v1/trainings/${trainingId}/stages/a`)
      .send({ ...stage, weightG: null, at: new Date().toISOString() })
    expect(answer.body).toMatchObject({ errors: [{ path: 'personId', reason: 'not-theirs' }] })
  })

  test('those who sit in one training know each other’s names', async () => {
    const peer = await world.make('trainee')
    const today = async (who: Somebody) => JSON.stringify((await server.of(who).get('/api/v1/today')).body)
    expect(await today(trainee)).not.toContain(peer.displayName)
    await note(trainer, { kind: 'started', setup: setupOf([trainee, peer]) }).expect(201)
    expect(await today(trainee)).toContain(peer.displayName)
    expect(await today(await world.make('trainee'))).not.toContain(peer.displayName)
  })
})

describe('once it is over', () => {
  const past = async (who: Somebody, app = server.app) => {
    const answer = await server.of(who, app).get('/api/v1/past-trainings?limit=100')
    return pastTrainings.parse(answer.body).trainings.map((each) => each.trainingId)
  }

  test('it is listed among the past ones, of one with a seat their own, and opened again within the day', async () => {
    await start()
    expect(await past(trainer)).not.toContain(trainingId)
    await note(trainer, { kind: 'reopened' }).expect(422)
    await note(trainer, ENDED).expect(201)
    expect([await past(trainer), await past(trainee)]).toEqual([
      expect.arrayContaining([trainingId]),
      [trainingId],
    ])
    expect(await past(await world.make('trainee'))).toEqual([])
    const { events } = training.parse((await note(trainer, { kind: 'reopened' }).expect(201)).body)
    expect(trainingState(events)?.ended).toBeNull()
    expect(await past(trainer)).not.toContain(trainingId)
  })

  test('a day later it is open no more, and stays ended', async () => {
    await start()
    await note(trainer, ENDED).expect(201)
    const later = server.beside(() => new Date(Date.now() + 25 * 3_600_000))
    const answer = await server
      .of(trainer, later)
      .put(`/api/v1/trainings/${trainingId}/events/${newId()}`)
      .send({ by: trainer.personId, at: new Date().toISOString(), happening: { kind: 'reopened' } })
    expect(answer.body).toMatchObject({ errors: [{ path: 'happening.kind', reason: 'too-late' }] })
    expect(await past(trainee, later)).toEqual([trainingId])
  })

  test('pages of them go back in time, none twice', async () => {
    const seen: string[] = []
    for (let no = 0; no < 3; no += 1) {
      trainingId = newId()
      await start()
      await note(trainer, ENDED).expect(201)
    }
    let cursor: string | null = ''
    while (cursor !== null) {
      const answer = await server
        .of(trainee)
        .get('/api/v1/past-trainings')
        .query({ limit: 2, ...(cursor !== '' && { cursor }) })
      const page = pastTrainings.parse(answer.body)
      seen.push(...page.trainings.map((each) => each.trainingId))
      cursor = page.nextCursor
    }
    expect(new Set(seen).size).toBe(3)
    expect(seen).toHaveLength(3)
    expect(seen[0]).toBe(trainingId)
  })
})

test('shots are listed by training and by grinder', async () => {
  await start()
  const shotId = await world.makeShot(trainee, trainer, { trainingId })
  await world.makeShot(trainee, trainer)
  const list = (query: string) => server.of(trainer).get(`/api/v1/shots?${query}`).expect(200)
  const ids = (body: unknown) => (body as { shots: { shotId: string }[] }).shots.map((shot) => shot.shotId)
  expect(ids((await list(`trainingId=${trainingId}`)).body)).toEqual([shotId])
  expect(ids((await list(`grinderId=${String(shotOf().grinderId)}`)).body)).toContain(shotId)
})
