import type { PersonSkill } from '@calm-apron/contract'
import { type TestServer, newId, serveTest } from '../testing/serve.ts'
import { type Somebody, type World, worldIn } from '../testing/world.ts'
import { workOutAll } from './workOut.ts'

let server: TestServer
let world: World
let trainer: Somebody
let trainee: Somebody
beforeAll(async () => {
  server = await serveTest()
  world = worldIn(server.house)
  trainer = await world.make('trainer')
  trainee = await world.make('trainee')
})
afterAll(() => server.stop())

const give = (text: string, by = trainer, to = trainee.personId, takeHomeId = newId()) =>
  server.of(by).put(`/api/v1/people/${to}/take-homes/${takeHomeId}`).send({ text })
async function skillOf(asker: Somebody): Promise<PersonSkill> {
  const { body } = await server.of(asker).get(`/api/v1/people/${trainee.personId}/skill`).expect(200)
  return body as PersonSkill
}

test('the last sentence that was given is theirs to read; sent twice it is given once', async () => {
  await give('Aim half a gram lower.').expect(201)
  const takeHomeId = newId()
  await give('Look at the rim before you lock in.', trainer, trainee.personId, takeHomeId).expect(201)
  await give('Look at the rim before you lock in.', trainer, trainee.personId, takeHomeId).expect(200)
  await give('Something else.', trainer, trainee.personId, takeHomeId).expect(409)
  for (const asker of [trainer, trainee])
    expect((await skillOf(asker)).takeHome).toMatchObject({
      text: 'Look at the rim before you lock in.',
      givenBy: trainer.personId,
    })
})

test('whoever learns gives none, and one to those who teach is for nobody', async () => {
  await give('No.', trainee).expect(403)
  await give('No.', trainer, trainer.personId).expect(404)
  const empty = await give('').expect(422)
  expect(JSON.stringify(empty.body)).toContain('"text"')
})

test('it stands in what is exported of them, with their skill as they see it; erased, it is no more', async () => {
  const head = await world.make('head')
  const leaver = await world.make('trainee')
  await give('Slower hands.', trainer, leaver.personId).expect(201)
  await world.makeShot(leaver, trainer)
  await workOutAll(server.house)
  const { body } = await server.of(leaver).get(`/api/v1/people/${leaver.personId}/export`).expect(200)
  expect(body).toMatchObject({
    takeHomes: [{ text: 'Slower hands.' }],
    skill: [{ shots: 1, passToday: null }],
  })
  await server
    .of(head)
    .post(`/api/v1/people/${leaver.personId}/erasure`)
    .send({ displayName: leaver.displayName })
    .expect(200)
  const after = await server.of(head).get(`/api/v1/people/${leaver.personId}/skill`).expect(200)
  expect((after.body as PersonSkill).takeHome).toBeNull()
})

async function taste(shotId: string, side: 'trainee' | 'trainer', sour: number): Promise<void> {
  const filledBy = side === 'trainee' ? trainee : trainer
  const cup = { sour, sweet: 6, bitter: 3, body: null, dryness: null }
  await server
    .of(filledBy)
    .put(`/api/v1/shots/${shotId}/slips/${newId()}`)
    .send({
      filledBy: filledBy.personId,
      side,
      basedOnNo: 0,
      reason: null,
      taste: cup,
      tastedAt: new Date().toISOString(),
    })
    .expect(201)
}

test('how far their notes agree with each trainer, and what they have had, is told to those who teach alone', async () => {
  for (let cup = 0; cup < 5; cup += 1) {
    const shotId = await world.makeShot(trainee, trainer, { areNotesAsked: true })
    await taste(shotId, 'trainee', 5)
    await taste(shotId, 'trainer', 3)
  }
  await workOutAll(server.house)
  const { beside } = await skillOf(trainer)
  expect(beside?.agreement).toMatchObject([
    { trainerId: trainer.personId, cups: 5, leans: { axis: 'sour', by: 2 } },
  ])
  expect(beside?.agreement[0]?.meanDifference).toBeCloseTo(2 / 3)
  expect(beside?.spent.shots).toBe(5)
  expect(beside?.spent.grams).toBeCloseTo(5 * 18.2)
  const own = await skillOf(trainee)
  expect([own.beside, own.families[0]?.forTrainer]).toEqual([null, null])
})
