import type { FamilySkill, PersonSkill, ShotInput, ShotList, SkillList } from '@calm-apron/contract'
import { SKILL_RULES } from '@calm-apron/core'
import { inAcademy } from '../database/inAcademy.ts'
import { hear, listening } from '../testing/liveLine.ts'
import { DEMO, type TestServer, newId, serveTest, shotOf } from '../testing/serve.ts'
import { HOME, type Somebody, type World, worldIn } from '../testing/world.ts'
import { liveNews, recordedOf } from '@calm-apron/contract'
import { readRecorded } from '@calm-apron/core'
import { academiesBehind, claimBehind, keepSkill } from './queries.ts'
import { workOutAll } from './workOut.ts'

let server: TestServer
let world: World
let trainer: Somebody
let trainee: Somebody
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  trainer = await world.make('trainer')
})
afterAll(() => server.stop())
beforeEach(async () => {
  trainee = await world.make('trainee')
})

async function pull(part: Partial<ShotInput> = {}, netG = 18): Promise<string> {
  const shotId = newId()
  const shot = shotOf()
  const facts = { ...shot.facts, dose: { by: 'net' as const, netG } }
  const body = { ...shot, facts, personId: trainee.personId, judgedBy: trainer.personId, ...part }
  await server.of(trainer).put(`/api/v1/shots/${shotId}`).send(body).expect(201)
  return shotId
}

async function skillOf(asker = trainer, personId = trainee.personId): Promise<PersonSkill> {
  const { body } = await server.of(asker).get(`/api/v1/people/${personId}/skill`).expect(200)
  return body as PersonSkill
}

/** Figures of somebody who never pulled. */
const nothingBy = (rulesVersion: number, workedOutAt: Date) => ({
  figures: [],
  brief: [],
  beside: {
    agreement: [],
    ownRatings: [],
    spent: { shots: 0, grams: 0, minutes: 0 },
    dialIn: { dialIns: 0, compared: null },
  },
  rulesVersion,
  workedOutAt,
})

const doseRun = ([first]: readonly FamilySkill[]) => first?.runs.dose ?? []

test('a shot leaves whoever pulled it behind; once it was worked out it is in the figures, as every list reads it', async () => {
  expect(await skillOf()).toEqual({
    personId: trainee.personId,
    asOf: null,
    isBehind: false,
    families: [],
    beside: null,
    takeHome: null,
  })
  for (const netG of [18, 18.4, 19]) await pull({}, netG)
  expect(await skillOf()).toMatchObject({ asOf: null, isBehind: true, families: [] })
  await workOutAll(server.house)
  const { asOf, isBehind, families } = await skillOf()
  expect([asOf === null, isBehind, families.length]).toEqual([false, false, 1])
  const { body } = await server.of(trainer).get(`/api/v1/shots?personId=${trainee.personId}`)
  const { shots, recipes } = body as ShotList
  const read = shots.toReversed().map((shot) => {
    const recipe = recipes.find(({ recipeRevisionId }) => recipeRevisionId === shot.recipeRevisionId)
    if (recipe === undefined) throw new Error('A shot came without its recipe.')
    const { dose } = readRecorded(recordedOf(shot), recipe.targets)
    return [shot.shotId, dose.judged ? dose.standing : null]
  })
  expect(doseRun(families).map(({ shotId, standing }) => [shotId, standing])).toEqual(read)
})

test('whatever it rests on, a change of it leaves the figures behind', async () => {
  const shotId = await pull()
  const at = new Date().toISOString()
  const by = trainer.personId
  const changes: [string, object][] = [
    [
      `revisions/${newId()}`,
      { basedOnNo: 1, judgedBy: by, reason: 'misread', correctedAt: at, facts: shotOf().facts },
    ],
    [
      `calls/${newId()}`,
      { calledBy: by, stage: 'final', verdict: 'over', cause: null, move: 'hold', calledAt: at },
    ],
    [
      `slips/${newId()}`,
      { filledBy: by, basedOnNo: 0, reason: null, tastedAt: at, side: 'trainer', taste: null },
    ],
    [
      `rulings/${newId()}`,
      { ruledBy: by, verdict: 'over', cause: null, move: 'coarser', reason: 'tasted so', ruledAt: at },
    ],
    [
      `purposes/${newId()}`,
      {
        repurposedBy: by,
        purposeBefore: 'practice',
        purpose: 'sink',
        faultShown: null,
        reason: 'a rinse',
        repurposedAt: at,
      },
    ],
  ]
  for (const [path, body] of changes) {
    await workOutAll(server.house)
    expect([path, (await skillOf()).isBehind]).toEqual([path, false])
    await server.of(trainer).put(`/api/v1/shots/${shotId}/${path}`).send(body).expect(201)
    expect([path, (await skillOf()).isBehind]).toEqual([path, true])
  }
  await workOutAll(server.house)
  // Called a rinse, it counts no more.
  expect((await skillOf()).families).toEqual([])
})

test('what was pulled for anything but practice, or not for real, and what waits for its call, is in no figure', async () => {
  await pull({ purpose: 'demonstration' })
  await pull({ isSimulated: true })
  const sealed = await pull({ isCallAsked: true })
  await workOutAll(server.house)
  expect((await skillOf()).families).toEqual([])
  const call = { calledBy: trainee.personId, stage: 'final', cause: null, calledAt: new Date().toISOString() }
  await server
    .of(trainee)
    .put(`/api/v1/shots/${sealed}/calls/${newId()}`)
    .send({ ...call, verdict: 'balanced', move: 'hold' })
    .expect(201)
  await workOutAll(server.house)
  expect(doseRun((await skillOf()).families).map(({ shotId }) => shotId)).toEqual([sealed])
})

test('a trainee sees themselves, without forecast or percentage, and nobody else', async () => {
  for (let shot = 0; shot < 9; shot += 1) await pull()
  await workOutAll(server.house)
  const [seen] = (await skillOf()).families
  expect(seen?.skills.dose.on).not.toBeNull()
  const [own] = (await skillOf(trainee)).families
  expect([own?.skills.dose.on, own?.passToday, own?.isAssessmentWorthIt]).toEqual([null, null, false])
  expect(own?.skills.dose.rung).toBe(seen?.skills.dose.rung)
  const list = async (asker: Somebody) =>
    ((await server.of(asker).get('/api/v1/skill').expect(200)).body as SkillList).people
  expect((await list(trainee)).map(({ personId }) => personId)).toEqual([trainee.personId])
  const all = await list(trainer)
  expect(all.length).toBeGreaterThan(1)
  const brief = all.find(({ personId }) => personId === trainee.personId)?.families[0]
  // The list and the page never differ.
  expect(brief?.skills.dose.on).toEqual(seen?.skills.dose.on)
  const other = await world.make('trainee')
  await server.of(other).get(`/api/v1/people/${trainee.personId}/skill`).expect(404)
})

test('two servers share the work; who changes while in hand stays behind', async () => {
  await pull()
  await Promise.all([workOutAll(server.house), workOutAll(server.house)])
  expect((await skillOf()).isBehind).toBe(false)
  await pull()
  const { database } = server.house
  const now = new Date()
  const claim = () => inAcademy(database, HOME, (within) => claimBehind(within, SKILL_RULES, now))
  const claimed = await claim()
  expect(claimed?.personId).toBe(trainee.personId)
  // In hand: nobody else takes it up, and nobody looks for it.
  expect(await claim()).toBeNull()
  expect(await academiesBehind(database, SKILL_RULES)).toEqual([])
  await pull()
  const worked = nothingBy(SKILL_RULES, now)
  if (claimed === null) throw new Error('Nobody was claimed.')
  await inAcademy(database, HOME, (within) => keepSkill(within, claimed, worked))
  expect((await skillOf()).isBehind).toBe(true)
  await workOutAll(server.house)
  expect(doseRun((await skillOf()).families)).toHaveLength(3)
})

test('figures of other rules are told no more, and everybody is worked out anew', async () => {
  await pull()
  const { database } = server.house
  const now = new Date()
  const worked = nothingBy(SKILL_RULES - 1, now)
  const claimed = await inAcademy(database, HOME, (within) => claimBehind(within, SKILL_RULES, now))
  if (claimed === null) throw new Error('Nobody was claimed.')
  await inAcademy(database, HOME, (within) => keepSkill(within, claimed, worked))
  expect(await skillOf()).toMatchObject({ asOf: null, isBehind: true, families: [] })
  await workOutAll(server.house)
  expect(doseRun((await skillOf()).families)).toHaveLength(1)
  expect(await academiesBehind(server.house.database, SKILL_RULES)).toEqual([])
  expect(await academiesBehind(server.house.database, SKILL_RULES + 1)).toEqual([HOME])
})

test('that it was worked out anew is told to those who teach and to whom it is about', async () => {
  const there = await listening(server.app)
  const isSkill = (all: { kind: string }[]) => all.some(({ kind }) => kind === 'skill')
  const heard = await hear(there.at('/live'), trainee, liveNews, isSkill)
  await heard.first
  await pull()
  await workOutAll(server.house)
  expect((await heard.all).at(-1)).toEqual({ kind: 'skill', personId: trainee.personId })
  await there.close()
})

test('what runs fast for two of them is told once, to those who teach', async () => {
  const other = await world.make('trainee')
  const clock = { firstDrop: 'marked', firstDropS: 4, stopS: 16, estimated: false } as const
  const facts = { ...shotOf().facts, clock, cup: { by: 'net' as const, netG: 39 } }
  for (const no of [0, 1, 2, 3, 4])
    await pull({
      facts,
      personId: no % 2 === 0 ? trainee.personId : other.personId,
      pulledAt: new Date(Date.now() - (10 - no) * 60_000).toISOString(),
    })
  const bar = async (asker: Somebody) =>
    ((await server.of(asker).get('/api/v1/skill').expect(200)).body as SkillList).bar
  expect(await bar(trainer)).toMatchObject([{ direction: 'fast', shots: 5, people: 2 }])
  expect(await bar(trainee)).toEqual([])
})

test('the demo’s people have figures as soon as they were worked out', async () => {
  await workOutAll(server.house)
  const mirren = DEMO.people.find(({ displayName }) => displayName === 'Mirren Kestle')
  const { families } = await skillOf(trainer, mirren?.personId)
  expect(families[0]?.shots).toBeGreaterThan(3)
})
