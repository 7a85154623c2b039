import {
  type RecipeRevision,
  type ShotDetail,
  type ShotInput,
  type ShotSummary,
  asKind,
  personExport,
  preparedDetail,
  recordedOf,
  shotDetail,
  shotList,
} from '@calm-apron/contract'
import { readRecorded } from '@calm-apron/core'
import { type Browser, DEMO, type TestServer, newId, serveTest, somebody } from '../testing/serve.ts'
import { thingsBy } from '../testing/things.ts'

/** Whichever way a recorded shot is asked for, it is read by the one function and the same figures come out. */
let server: TestServer
let head: Browser
beforeAll(async () => {
  server = await serveTest()
  head = await server.as(somebody('head'))
})
afterAll(() => server.stop())

/** A reading as plain figures, without the shot that it is of. */
function figures(shot: ShotSummary, recipe: RecipeRevision | undefined): unknown {
  if (recipe === undefined) throw new Error('A shot without its recipe.')
  const { of, ...readings } = readRecorded(recordedOf(shot), recipe.targets)
  return JSON.parse(JSON.stringify({ ...readings, context: of.context }))
}

async function listed(): Promise<Map<string, unknown>> {
  const { shots, recipes } = shotList.parse((await head.get('/api/v1/shots?limit=100').expect(200)).body)
  const recipeOf = new Map(recipes.map((each) => [each.recipeRevisionId, each]))
  return new Map(shots.map((shot) => [shot.shotId, figures(shot, recipeOf.get(shot.recipeRevisionId))]))
}
async function opened(shotId: string): Promise<unknown> {
  const detail = shotDetail.parse((await head.get(`/api/v1/shots/${shotId}`).expect(200)).body)
  return figures(detail, detail.recipe)
}

test('every shot of the demo reads the same in a list, by itself, in an export, and recorded anew', async () => {
  const inList = await listed()
  expect(inList.size).toBe(DEMO.shots.length)
  for (const personId of new Set(DEMO.shots.map((each) => each.personId))) {
    const answer = await head.get(`/api/v1/people/${personId}/export`).expect(200)
    for (const shot of personExport.parse(answer.body).shots)
      expect(figures(shot, shot.recipe)).toEqual(inList.get(shot.shotId))
  }
  for (const shotId of inList.keys()) {
    expect(await opened(shotId)).toEqual(inList.get(shotId))
    // Brought in with a whole academy, or recorded by itself: what it was pulled with is found alike.
    const first = shotDetail.parse((await head.get(`/api/v1/shots/${shotId}`)).body)
    const again = newId()
    await head.put(`/api/v1/shots/${again}`).send(asSent(first)).expect(201)
    const { current, ...rest } = shotDetail.parse((await head.get(`/api/v1/shots/${again}`)).body)
    const { isJudgeTeaching } = first.current
    expect(figures({ ...rest, current: { ...current, isJudgeTeaching } }, rest.recipe)).toEqual(
      inList.get(shotId),
    )
  }
})

/** A shot as a tablet would have sent it. */
function asSent({
  personId,
  recipeRevisionId,
  barId,
  grinderId,
  bagId,
  machineId,
  ...shot
}: ShotDetail): ShotInput {
  const { pulledAt, groupNo, trainingId, purpose, faultShown, isSimulated, grindOwner, isCallAsked } = shot
  const { isFirstCallAsked, areNotesAsked } = shot
  return {
    ...{ personId, recipeRevisionId, barId, grinderId, bagId, machineId, pulledAt, groupNo, trainingId },
    ...{ purpose, faultShown, isSimulated, grindOwner, isCallAsked, series: shot.series, note: '' },
    ...{ isFirstCallAsked, areNotesAsked, focus: shot.stood.focus ?? null },
    judgedBy: somebody('head'),
    facts: shot.current.facts,
  }
}

test('a reading stays what it was when its bag is finished, its coffee reworded, its machine and grinder changed', async () => {
  const { revise } = thingsBy(head)
  const before = await listed()
  for (const { preparedId, thing } of DEMO.prepared) {
    if (!['bag', 'coffee', 'grinder', 'machine'].includes(thing.kind)) continue
    const record = preparedDetail.parse((await head.get(`/api/v1/prepared/${preparedId}`)).body)
    const change = {
      bag: { roastedOn: '2026-01-02', finishedOn: '2026-12-31', frozenOn: null, thawedOn: null },
      coffee: { roastLevel: 'dark', freshness: { restDays: 0, bestUntilDays: 1, usableUntilDays: 2 } },
      grinder: { settingStep: 0.25 },
      machine: { hasReleaseValve: false, switchedOnAt: null },
    }[thing.kind as 'bag' | 'coffee' | 'grinder' | 'machine']
    const content = { ...asKind(record, thing.kind)?.content, ...change }
    await revise(preparedId, record.revisionNo, { ...thing, content }).expect(201)
  }
  expect(await listed()).toEqual(before)
})
