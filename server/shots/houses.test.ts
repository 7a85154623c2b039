import { type PreparedInput, begunAs, recordedOf, shotDetail } from '@calm-apron/contract'
import { HOUSES, type House, factsOf, recipeOf } from '@calm-apron/contract/testing'
import { diagnose, readRecorded } from '@calm-apron/core'
import { type TestServer, newId, prepared, serveTest, shotOf, somebody } from '../testing/serve.ts'
import { thingsBy } from '../testing/things.ts'

let server: TestServer
beforeAll(async () => {
  server = await serveTest()
})
afterAll(() => server.stop())

/** What a house needs, prepared as whoever sets it up would; by the ids of what was made. */
async function setUp(house: House) {
  const things = thingsBy(server.http)
  const barId = prepared('bar')
  const make = async (thing: PreparedInput): Promise<string> => {
    const id = newId()
    await things.put(id, thing).expect(201)
    return id
  }
  const { basket, machine, buttons = [], grinder, name } = house
  const basketId = await make({
    kind: 'basket',
    parentId: barId,
    content: { ...begunAs('basket', { name, nominalG: 18 }), ...basket },
  })
  const group = { name: 'Group 1', basketId, selector: 'none' as const, buttons }
  const machineId = await make({
    kind: 'machine',
    parentId: barId,
    content: { ...begunAs('machine', { name }), ...machine, groups: [group] },
  })
  const grinderId = await make({
    kind: 'grinder',
    parentId: barId,
    content: { ...begunAs('grinder', { name, maxSetting: 40 }), ...grinder },
  })
  // The first revision of a recipe goes by the recipe's own id.
  const recipeRevisionId = await make({ kind: 'recipe', parentId: null, content: recipeOf(house, basketId) })
  return { barId, machineId, grinderId, recipeRevisionId }
}

test.each(HOUSES.map((house) => [house.name, house] as const))(
  '%s: set up, a shot of it is kept as it was typed, and read to the same next move',
  async (_name, house) => {
    const used = await setUp(house)
    const shotId = newId()
    const facts = factsOf(house)
    const sent = {
      ...shotOf({}, new Date().toISOString()),
      ...used,
      groupNo: 0,
      purpose: house.typed.purpose ?? 'practice',
      judgedBy: somebody('trainer'),
      facts,
    }
    await server.http.put(`/api/v1/shots/${shotId}`).send(sent).expect(201)
    const shot = shotDetail.parse((await server.http.get(`/api/v1/shots/${shotId}`).expect(200)).body)
    expect(shot.current.facts).toEqual(facts)
    const readings = readRecorded(recordedOf(shot), shot.recipe.targets)
    const grinder = { ...begunAs('grinder', { name: 'Its own', maxSetting: 40 }), ...house.grinder }
    const { move } = diagnose(readings, { setting: facts.grindSetting, grinder })
    expect(move.lever).toBe(house.lever)
  },
)
