import { shippedStep } from '@calm-apron/core'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { IDA, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { DRAFT, houseOf, shotId } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import type { ShotDraft } from '../../shot/draft/shotDraft.ts'
import { type ShotRun, useShotRuns } from '../../shot/run/shotRuns.ts'
import { useSaveShot } from './useSaveShot.ts'
import { useStepsDone } from './useStepsDone.ts'

const ROUTINE = '019a5c00-0000-7014-8000-000000000001'
const own = { ...shippedStep(null), what: 'Say what you smell' }
const routine = {
  routineId: ROUTINE,
  name: 'By the scale',
  isOrderEnforced: false,
  steps: [
    shippedStep('wipe-basket'),
    shippedStep('weigh-dose'),
    shippedStep('tamp'),
    own,
    shippedStep('start'),
  ],
}

/** A shot under way at a trainer's tablet. */
async function runWith(also: Partial<ShotDraft> = {}, by = routine) {
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf({ routines: [by] }) }),
  })
  const { result: runs, end, pinia } = await inSetup(() => useShotRuns())
  await useDoor().load()
  await useAcademy().load()
  await useDrafts().keep({ ...DRAFT, routineId: ROUTINE, ...also })
  const run = await runs.open(shotId(1))
  if (run === null) throw new Error('The draft was kept and is not found.')
  /** What a page of the shot knows. */
  const onPage = async <T>(composable: (run: ShotRun) => T) =>
    (await inSetup(() => composable(run), pinia)).result
  return { run, runs, onPage, end }
}

test('a shot under way is one and the same, whichever page looks at it, until it is recorded', async () => {
  const { run, runs, end } = await runWith()
  expect(await runs.open(shotId(1))).toBe(run)
  runs.close(shotId(1))
  expect(await runs.open(shotId(1))).not.toBe(run)
  expect(await runs.open(shotId(2))).toBeNull()
  end()
})

test('what says something already is ticked, and shows what it says', async () => {
  const { run, onPage, end } = await runWith()
  const { done, summaries, nextStep } = await onPage(useStepsDone)
  expect([...done.value]).toEqual([])
  Object.assign(run.draft.dose, { way: 'net', netText: '18.2' })
  run.draft.tamp.tilt = 'level'
  run.draft.step = 'tamp'
  expect([...done.value]).toEqual(['dose', 'tamp'])
  expect([summaries.value.dose, nextStep.value]).toEqual(['18.2 g', 'pull'])
  end()
})

test('where the call is asked for, tasting is no step of the bar: it comes after it, on slips', async () => {
  const alone = await runWith()
  expect((await alone.onPage(useStepsDone)).steps.value).toContain('taste')
  alone.end()
  const asked = await runWith({ isCallAsked: true })
  expect((await asked.onPage(useStepsDone)).steps.value).not.toContain('taste')
  asked.end()
})

test('a routine’s steps stand where they are done; one of the house’s own stays with the one before', async () => {
  const { onPage, end } = await runWith()
  const { routineSteps } = await onPage(useStepsDone)
  const names = Object.entries(routineSteps.value).map(([step, each]) => [step, each.map(({ key }) => key)])
  expect(names).toEqual([
    ['ready', ['wipe-basket']],
    ['dose', ['weigh-dose']],
    ['tamp', ['tamp', null]],
    ['pull', ['start']],
  ])
  end()
})

test('where the order is kept a stage waits for what comes before it, which is done or was left out', async () => {
  const { run, onPage, end } = await runWith({}, { ...routine, isOrderEnforced: true })
  const { waitsFor, isWaiting, mark } = await onPage(useStepsDone)
  const waiting = () => (['ready', 'dose', 'tamp', 'pull'] as const).filter((stage) => isWaiting(stage))
  expect([waitsFor.value?.key, waiting()]).toEqual(['wipe-basket', ['dose', 'tamp', 'pull']])
  if (waitsFor.value) mark(waitsFor.value, 'missed')
  expect([waitsFor.value?.key, waiting()]).toEqual(['weigh-dose', ['tamp', 'pull']])
  Object.assign(run.draft.noted, { stepsDone: ['weigh-dose', 'tamp'] })
  expect(waitsFor.value?.what).toBe('Say what you smell')
  if (waitsFor.value) mark(waitsFor.value, 'done')
  expect(run.draft.noted).toMatchObject({ stepsMissed: ['wipe-basket'], ownSteps: [{ mark: 'done' }] })
  expect(waiting()).toEqual([])
  end()
})

test('what can’t be read leads to its step, and nothing is recorded', async () => {
  const { run, onPage, end } = await runWith()
  run.draft.step = 'look'
  Object.assign(run.draft.dose, { way: 'net', netText: 'plenty' })
  const { save, firstIssue } = await onPage(useSaveShot)
  await save()
  expect([run.draft.step, firstIssue.value?.step]).toEqual(['dose', 'dose'])
  expect(useOutbox().writes).toEqual([])
  end()
})

test('a shot is recorded under the name of who is here, once, and its draft is gone', async () => {
  const { run, onPage, end } = await runWith({ note: '  a little dry  ' })
  Object.assign(run.draft.dose, { way: 'net', netText: '18' })
  const { save } = await onPage(useSaveShot)
  await useDoor().load()
  await Promise.all([save(), save()])
  await settled()
  expect(useOutbox().writes).toMatchObject([
    {
      kind: 'shot',
      shotId: shotId(1),
      body: { personId: IDA, judgedBy: ODALYS, note: 'a little dry', series: null },
    },
  ])
  expect(await useDrafts().find(shotId(1))).toBeNull()
  end()
})
