import { useDoor } from '../../data/door/door.ts'
import { useLiveLine } from '../../data/live/liveLine.ts'
import { IDA, ODALYS, TestLine, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { MACHINE, TRAINING, houseOf, shotId, startedWith } from '../../testing/house.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useTrainings } from './trainings.ts'
import { tellStage, useLive } from './useLive.ts'

const STAGE = {
  personId: IDA,
  shotId: shotId(1),
  step: 'dose',
  phase: 'before',
  pumpS: 0,
  weightG: 18.1,
  at: '2026-11-26T09:00:00.000Z',
} as const
const GROUP = `${MACHINE}:0`

async function following() {
  TestLine.all.length = 0
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    'GET /trainings': () => ({ body: { trainings: [{ trainingId: TRAINING, events: [startedWith()] }] } }),
    'GET /trainings/*': () => ({ body: { trainingId: TRAINING, events: [startedWith()] } }),
    'PUT /trainings/*/stages/*': () => 'nothing',
  })
  const { result, end } = await inSetup(() => ({
    ...useLive(() => TRAINING),
    trainings: useTrainings(),
    academy: useAcademy(),
  }))
  await useDoor().load()
  await settled()
  const line = TestLine.all.at(-1)
  if (line === undefined) throw new Error('No line was opened.')
  return { ...device, ...result, end, line }
}

test('one line tells of everything; whether it stands is known', async () => {
  const { line, end } = await following()
  expect(line.address).toMatch(/\/live$/)
  expect(line.address).not.toContain(TRAINING)
  expect(useLiveLine().isLive).toBe(false)
  line.onopen()
  expect(useLiveLine().isLive).toBe(true)
  line.onerror()
  expect(useLiveLine().isLive).toBe(false)
  end()
})

test('what another tablet does at a group is shown; words that make no sense are let by', async () => {
  const { line, stages, end } = await following()
  line.say({ kind: 'stage', trainingId: TRAINING, stage: { ...STAGE, group: GROUP } })
  expect(stages.value[GROUP]).toMatchObject({ personId: IDA, step: 'dose', weightG: 18.1 })
  line.say({ kind: 'weather', is: 'fine' })
  line.say({ kind: 'stage', trainingId: shotId(9), stage: { ...STAGE, group: 'other' } })
  expect(Object.keys(stages.value)).toEqual([GROUP])
  end()
})

test('signed out, nothing is followed any more, and nothing of it is shown to the next', async () => {
  const { line, stages, says, end } = await following()
  line.onopen()
  line.say({ kind: 'stage', trainingId: TRAINING, stage: { ...STAGE, group: GROUP } })
  says['GET /doors'] = () => doorsWith(null)
  await useDoor().load()
  await settled()
  expect(line.readyState).toBe(2)
  expect(stages.value).toEqual({})
  expect(useLiveLine().isLive).toBe(false)
  end()
})

test('that a stage can’t be told is no harm', async () => {
  const { end } = await following()
  await expect(tellStage(TRAINING, GROUP, STAGE)).resolves.toBeUndefined()
  end()
})
