import { useDoor } from '../../data/door/door.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDrafts } from '../draft/drafts.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import {
  IDA,
  ODALYS,
  type Said,
  doorsWith,
  freshDevice,
  sessionOf,
  settled,
  shotBy,
} from '../../testing/device.ts'
import {
  RECIPE,
  RECIPE_REVISION,
  SETUP,
  TEO,
  TRAINING,
  houseOf,
  listedShot,
  shotId,
  startedWith,
} from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { focusNamed } from '@calm-apron/core'
import { useTrainings } from './trainings.ts'
import { useTraining } from './useTraining.ts'

const shotsOf = (...shots: ReturnType<typeof listedShot>[]): Said => ({
  body: { shots, recipes: [RECIPE_REVISION], nextCursor: null },
})

/** A trainer's tablet at a training of two, one at each group. */
async function tabletWith(shots: () => Said | Promise<Said>, setup = SETUP) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    'GET /trainings': () => ({
      body: {
        trainings: [{ trainingId: TRAINING, events: [startedWith(setup)] }],
      },
    }),
  })
  device.says[`GET /shots?trainingId=${TRAINING}&limit=100`] = shots
  const { result: training, end, went } = await inSetup(() => useTraining(() => TRAINING))
  await useDoor().load()
  await useAcademy().load()
  await settled()
  return { ...device, training, end, went }
}

/** As the pages find them when they are come back to. */
async function draftsHere() {
  const drafts = useDrafts()
  await drafts.reload()
  return drafts.drafts
}

test('each group has its own turn: whoever has pulled least of those who stand there', async () => {
  const both = { ...SETUP, seats: SETUP.seats.map((seat) => ({ ...seat, groupNo: 0 })) }
  const { training, end } = await tabletWith(() => shotsOf(listedShot(1, { personId: IDA })), both)
  expect(training.groups.value.map(({ name, next }) => [name, next?.personId])).toEqual([['Group 1', TEO]])
  expect(training.groups.value[0]?.seats.map(({ name, pulled }) => [name, pulled])).toEqual([
    ['Ida', 1],
    ['Teo', 0],
  ])
  end()
})

test('whose turn it is can’t be told before the shots are counted', async () => {
  let answer: (said: Said) => void = () => undefined
  const waiting = new Promise<Said>((resolve) => (answer = resolve))
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
  })
  device.says[`GET /shots?trainingId=${TRAINING}&limit=100`] = () => waiting
  const { result: training, end } = await inSetup(() => useTraining(() => TRAINING))
  await useDoor().load()
  await settled()
  expect(training.isCounted.value).toBe(false)
  answer(shotsOf())
  await settled()
  expect(training.isCounted.value).toBe(true)
  end()
})

test('a dial-in’s experiments are nobody’s turn', async () => {
  const { training, end } = await tabletWith(() =>
    shotsOf(listedShot(1, { personId: IDA, purpose: 'experiment' })),
  )
  expect(training.pulled.value.get(IDA)).toBeUndefined()
  end()
})

test('a shot begins with all that the training knows, and counts when one comes back', async () => {
  const { training, end, went } = await tabletWith(() => shotsOf())
  const [seat] = SETUP.seats
  if (seat) await training.begin(seat)
  const [draft] = await draftsHere()
  expect(draft).toMatchObject({
    personId: IDA,
    trainingId: TRAINING,
    grinderId: SETUP.grinderId,
    bagId: SETUP.bagId,
    machineId: seat?.machineId,
    groupNo: 0,
    purpose: 'practice',
    grindOwner: 'trainer',
    isCallAsked: true,
  })
  expect(went()).toBe(`/shot/${draft?.shotId}`)
  expect(training.pulled.value.get(IDA)).toBe(1)
  end()
})

test('whoever teaches is not asked for a call', async () => {
  const { training, end } = await tabletWith(() => shotsOf())
  await training.begin({ personId: ODALYS, machineId: null, groupNo: 0 })
  expect((await draftsHere())[0]?.isCallAsked).toBe(false)
  end()
})

test('on a line that hangs the next one is known from what this device knows, its own unsent shots too', async () => {
  const { says, end } = await tabletWith(() =>
    shotsOf(listedShot(1, { personId: IDA, trainingId: TRAINING })),
  )
  says[`GET /shots?trainingId=${TRAINING}&limit=100`] = () => new Promise<Said>(() => undefined)
  end()
  const { result: again, end: endAgain } = await inSetup(() => useTraining(() => TRAINING))
  await useDoor().load()
  await settled()
  const own = { ...shotBy(ODALYS), recipeRevisionId: RECIPE, personId: IDA, trainingId: TRAINING }
  await useOutbox().addShot(shotId(7), own)
  await settled()
  expect(again.isCounted.value).toBe(true)
  expect(again.pulled.value.get(IDA)).toBe(2)
  endAgain()
})

test('a shot goes by what was tapped just before it, though that is not on the device yet', async () => {
  const { training, end } = await tabletWith(() => shotsOf())
  const [seat] = SETUP.seats
  if (seat === undefined) throw new Error('Somebody is there.')
  const focus = { ...focusNamed('first-week'), fullEvery: 1 }
  const noting = useTrainings().note(TRAINING, { kind: 'focused', focus })
  await training.begin(seat)
  expect((await draftsHere()).map((draft) => draft.focus)).toEqual([focus])
  await noting
  end()
})
