import type { TrainingEvent } from '@calm-apron/core'
import { getActivePinia } from 'pinia'
import { trainingAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import {
  IDA,
  ODALYS,
  type Said,
  doorsWith,
  freshDevice,
  freshPage,
  refusal,
  sessionOf,
  settled,
} from '../../testing/device.ts'
import { SETUP, eventOf, startedWith } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useTrainings } from './trainings.ts'

const MORNING = '019a5c00-0000-7010-8000-000000000001'
const EARLIER = '019a5c00-0000-7010-8000-000000000002'
const LEFT = { rinsed: true, wiped: true, handleBack: true }

const started = startedWith()

/** Signed in, with a server that tells these trainings and takes no event yet. */
async function deviceWith(...told: { trainingId: string; events: TrainingEvent[] }[]) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /trainings': () => ({ body: { trainings: told } }),
    'PUT /trainings/*/events/*': () => 'nothing',
  })
  const door = useDoor()
  await door.load()
  const trainings = useTrainings()
  await settled()
  return { ...device, door, trainings }
}

test('those that are not over are open, the newest first', async () => {
  const later = eventOf(2, '2026-11-26T10:00:00.000Z', { kind: 'started', setup: SETUP })
  const { trainings } = await deviceWith(
    { trainingId: EARLIER, events: [started] },
    { trainingId: MORNING, events: [later] },
  )
  expect(trainings.open.map(({ trainingId }) => trainingId)).toEqual([MORNING, EARLIER])
  await trainings.note(MORNING, { kind: 'ended', left: LEFT })
  expect(trainings.open.map(({ trainingId }) => trainingId)).toEqual([EARLIER])
  expect(trainings.stateOf(MORNING)?.ended).toMatchObject({ ...LEFT, by: ODALYS })
})

test('one that is started without network stands at once, and after the page was loaded anew', async () => {
  const { says, trainings } = await deviceWith()
  says['GET /trainings'] = () => 'nothing'
  await trainings.note(MORNING, { kind: 'started', setup: SETUP })
  await trainings.note(MORNING, { kind: 'break-began' })
  expect(trainings.stateOf(MORNING)?.onBreakSince).not.toBeNull()

  await settled()
  freshPage()
  says['GET /doors'] = () => 'nothing'
  await useDoor().load()
  useOutbox()
  const again = useTrainings()
  await settled()
  expect(again.open).toHaveLength(1)
  expect(again.stateOf(MORNING)?.onBreakSince).not.toBeNull()
})

test('what was noted here does not unhappen by an answer that was asked for before it', async () => {
  const { says, trainings } = await deviceWith({ trainingId: MORNING, events: [started] })
  let answer: (said: Said) => void = () => undefined
  says['GET /trainings'] = () => new Promise<Said>((resolve) => (answer = resolve))
  const isLoaded = trainings.load()
  says['PUT /trainings/*/events/*'] = () => ({ body: { trainingId: MORNING, events: [started] } })
  await trainings.note(MORNING, { kind: 'break-began' })
  await settled()
  expect(useOutbox().writes).toEqual([])
  answer({ body: { trainings: [{ trainingId: MORNING, events: [started] }] } })
  await isLoaded
  expect(trainings.stateOf(MORNING)?.onBreakSince).not.toBeNull()
})

test('an event that the server tells as well counts once', async () => {
  const { asked, says, trainings } = await deviceWith({ trainingId: MORNING, events: [started] })
  await trainings.note(MORNING, { kind: 'break-began' })
  await trainings.note(MORNING, { kind: 'break-ended' })
  await settled()
  const [, eventId = ''] = /events\/(\S+)/.exec(asked.find((what) => what.includes('/events/')) ?? '') ?? []
  const began = { ...eventOf(3, new Date(0).toISOString(), { kind: 'break-began' }), eventId }
  const events = [started, { ...began, at: started.at }]
  says['GET /trainings'] = () => ({ body: { trainings: [{ trainingId: MORNING, events }] } })
  await trainings.load()
  expect(trainings.stateOf(MORNING)?.breaks).toHaveLength(1)
})

test('without an answer, or with a refusal that passes, it stands as it was known', async () => {
  const { says, trainings } = await deviceWith({ trainingId: MORNING, events: [started] })
  for (const said of ['nothing', refusal('slow-down', 429)] as const) {
    says['GET /trainings'] = () => said
    await trainings.load()
    expect(trainings.open).toHaveLength(1)
  }
})

test('one that is over is known where its page was looked at', async () => {
  const { says, trainings } = await deviceWith()
  const ended = eventOf(4, '2026-11-26T12:00:00.000Z', { kind: 'ended', left: LEFT })
  says['GET /trainings/*'] = () => ({ body: { trainingId: EARLIER, events: [started, ended] } })
  expect(trainings.stateOf(EARLIER)).toBeNull()
  const { end } = await inSetup(() => useAnswer(() => trainingAsked(EARLIER)), getActivePinia())
  await settled()
  expect(trainings.stateOf(EARLIER)?.ended).toMatchObject({ at: '2026-11-26T12:00:00.000Z' })
  expect(trainings.open).toEqual([])
  end()
})

test('what was told to one person is not shown to the next', async () => {
  const { says, door, trainings } = await deviceWith({ trainingId: MORNING, events: [started] })
  says['GET /trainings'] = () => 'nothing'
  door.session = sessionOf(IDA)
  await settled()
  expect(trainings.open).toEqual([])
})

test('what happens names the newest that this tablet has seen, so that no clock puts it before', async () => {
  const fast = eventOf(2, '2098-01-01T00:00:00.000Z', { kind: 'break-began' })
  const { trainings } = await deviceWith({ trainingId: MORNING, events: [started, fast] })
  await trainings.note(MORNING, { kind: 'break-ended' })
  const [write] = useOutbox().writes
  expect(write).toMatchObject({ kind: 'training-event', body: { after: fast.eventId } })
  expect(trainings.stateOf(MORNING)?.onBreakSince).toBeNull()
})
