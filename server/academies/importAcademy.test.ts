import { type AcademyFile, academyFile } from '@calm-apron/contract'
import { demoOfHalfYear } from '@calm-apron/demo'
import { inAcademy } from '../database/inAcademy.ts'
import { findShot } from '../shots/queries.ts'
import { listCalls, listRulings, listSlips } from '../tasting/queries.ts'
import { type TestServer, newId, serveTest } from '../testing/serve.ts'
import { eventsOf } from '../training/queries.ts'
import { importAcademy } from './importAcademy.ts'

const NOW = new Date('2026-11-23T10:00:00Z')
let server: TestServer
let file: AcademyFile
beforeAll(async () => {
  server = await serveTest()
  const whole = demoOfHalfYear(NOW)
  file = { ...lastWeeksOf(whole), academy: { ...whole.academy, academyId: newId() } }
  await importAcademy(server.house.database, file, NOW)
})
afterAll(() => server.stop())

/** As much of it as has one of everything. */
function lastWeeksOf(whole: AcademyFile): AcademyFile {
  const shots = whole.shots.filter(({ pulledAt }) => pulledAt > '2026-10-20')
  const ids = new Set(shots.map(({ shotId }) => shotId))
  const its = <T extends { shotId: string }>(list: readonly T[]) =>
    list.filter(({ shotId }) => ids.has(shotId))
  const trainings = whole.trainings.filter(({ trainingId }) =>
    shots.some((shot) => shot.trainingId === trainingId),
  )
  const said = { calls: its(whole.calls), slips: its(whole.slips), rulings: its(whole.rulings) }
  return { ...whole, ...said, shots, trainings, corrections: its(whole.corrections) }
}

const within = <T>(work: Parameters<typeof inAcademy<T>>[2]) =>
  inAcademy(server.house.database, file.academy.academyId, work)

test('what a file holds of a shot is read back: its curve, its note, what it was corrected to and why', async () => {
  const [correction] = file.corrections
  const corrected = await within((transaction) => findShot(transaction, correction?.shotId ?? ''))
  expect(corrected?.current).toMatchObject({
    revisionNo: 2,
    reason: correction?.reason,
    facts: correction?.facts,
  })
  expect(corrected?.revisions).toHaveLength(2)
  const noted = file.shots.find(({ note, series }) => note !== '' && series !== null)
  const found = await within((transaction) => findShot(transaction, noted?.shotId ?? ''))
  expect(found).toMatchObject({ series: noted?.series, current: { note: noted?.note, facts: noted?.facts } })
})

test('what was said of a shot, noted and ruled, and what happened in a training', async () => {
  const [ruling] = file.rulings
  const shotId = ruling?.shotId ?? ''
  const rulings = await within((transaction) => listRulings(transaction, shotId))
  const calls = await within((transaction) => listCalls(transaction, shotId))
  const noted = await within((transaction) => listSlips(transaction, shotId))
  const { shotId: _of, rulingId, ...rest } = ruling ?? {}
  expect(rulings).toMatchObject([{ rulingId, ...rest }])
  const call = file.calls.find((each) => each.shotId === shotId)
  expect(calls).toMatchObject([{ callId: call?.callId, personId: call?.calledBy, verdict: call?.verdict }])
  const slips = file.slips.filter((each) => each.shotId === shotId)
  expect(noted.map(({ side, taste }) => [side, taste])).toEqual(slips.map(({ side, taste }) => [side, taste]))
  const [training] = file.trainings
  const events = await within((transaction) => eventsOf(transaction, training?.trainingId ?? ''))
  expect(events.map(({ eventId, happening }) => [eventId, happening])).toEqual(
    training?.events.map(({ eventId, happening }) => [eventId, happening]),
  )
})

test('a file of a former release is read; one that says something of a shot it has not is refused by its field', () => {
  const { trainings: _t, corrections: _c, calls: _a, slips: _s, rulings: _r, ...former } = file
  expect(academyFile.parse({ ...former, version: 2 }).calls).toEqual([])
  const wrong = { ...file, calls: file.calls.slice(0, 1).map((call) => ({ ...call, shotId: newId() })) }
  const read = academyFile.safeParse(wrong)
  expect(read.error?.issues.map(({ path }) => path)).toEqual([['calls', 0, 'shotId']])
})
