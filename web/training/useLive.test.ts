import { useDoor } from '../store/door.ts'
import { IDA, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../store/testing/device.ts'
import { MACHINE, TRAINING, shotId, startedWith } from '../store/testing/house.ts'
import { inSetup } from '../testing/inSetup.ts'
import { tellStage, useLive } from './useLive.ts'

/** A line that the test speaks on. */
class Line {
  static last: Line | null = null
  onopen: () => void = () => undefined
  onerror: () => void = () => undefined
  onmessage: (event: { data: string }) => void = () => undefined
  isClosed = false
  constructor(readonly address: string) {
    Line.last = this
  }
  close(): void {
    this.isClosed = true
  }
  say(message: unknown): void {
    this.onmessage({ data: JSON.stringify(message) })
  }
}

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
  Object.assign(globalThis, { EventSource: Line })
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /trainings/*': () => ({ body: { trainingId: TRAINING, events: [startedWith()] } }),
    'PUT /trainings/*/stages/*': () => 'nothing',
  })
  await useDoor().load()
  const { result, end } = await inSetup(() => useLive(() => TRAINING))
  await settled()
  const line = Line.last
  if (line === null) throw new Error('No line was opened.')
  return { ...device, ...result, end, line }
}

test('a training is followed on a line of its own, which goes with the page', async () => {
  const { line, isLive, end } = await following()
  expect(line.address).toContain(TRAINING)
  expect(isLive.value).toBe(false)
  line.onopen()
  expect(isLive.value).toBe(true)
  line.onerror()
  expect(isLive.value).toBe(false)
  end()
  expect(line.isClosed).toBe(true)
})

test('what another tablet does at a group is shown; words that make no sense are let by', async () => {
  const { line, stages, end } = await following()
  line.say({ kind: 'stage', stage: { ...STAGE, group: GROUP } })
  expect(stages.value[GROUP]).toMatchObject({ personId: IDA, step: 'dose', weightG: 18.1 })
  line.say({ kind: 'weather', is: 'fine' })
  expect(Object.keys(stages.value)).toEqual([GROUP])
  end()
})

test('that something happened is a reason to ask, and what it was is not taken from the line', async () => {
  const { line, asked, end } = await following()
  asked.length = 0
  line.say({ kind: 'training', trainingId: TRAINING })
  await settled()
  expect(asked).toEqual([`GET /trainings/${TRAINING}`])
  end()
})

test('that a stage can’t be told is no harm', async () => {
  const { end } = await following()
  await expect(tellStage(TRAINING, GROUP, STAGE)).resolves.toBeUndefined()
  end()
})
