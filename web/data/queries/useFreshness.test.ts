import { useDoor } from '../door/door.ts'
import { useOutbox } from '../outbox/outbox.ts'
import {
  IDA,
  ODALYS,
  type Said,
  TestLine,
  doorsWith,
  freshDevice,
  sessionOf,
  settled,
  shotBy,
  todayOf,
} from '../../testing/device.ts'
import { RECIPE_REVISION, TRAINING, listedShot, shotId } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useFreshness } from './useFreshness.ts'
import { useShotList } from './useShots.ts'

const LIST = `GET /shots?trainingId=${TRAINING}&limit=20`
const listOf = (...shots: ReturnType<typeof listedShot>[]): Said => ({
  body: { shots, recipes: [RECIPE_REVISION], nextCursor: null },
})

/** A page that looks at the shots of a training, with a line on which the test speaks. */
async function pageAt(answer: () => Said | Promise<Said>) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: todayOf('Ostrel') }),
  })
  device.says[LIST] = answer
  const { result: list, end } = await inSetup(() => {
    useFreshness()
    return useShotList(() => ({ trainingId: TRAINING }))
  })
  await useDoor().load()
  await settled()
  const line = TestLine.all.at(-1)
  line?.onopen()
  const times = () => device.asked.filter((what) => what === LIST).length
  /** Until it was asked so often; the spread over the tablets takes a moment. */
  const asked = async (often: number) => {
    while (times() < often) await new Promise((resolve) => setTimeout(resolve, 10))
    await settled()
  }
  return { ...device, list, end, line, times, asked }
}

test('a line that stands for the first time asks nothing anew; after a gap all is asked', async () => {
  const { line, times, asked, end } = await pageAt(() => listOf())
  line?.say({ kind: 'here' })
  await new Promise((resolve) => setTimeout(resolve, 600))
  expect(times()).toBe(1)
  // The server itself had heard nothing for a while.
  line?.say({ kind: 'here' })
  await asked(2)
  // The browser came back by itself from a line that broke.
  line?.onerror()
  line?.onopen()
  line?.say({ kind: 'here' })
  await asked(3)
  // The line broke, and another was begun.
  if (line) line.readyState = 2
  line?.onerror()
  while (TestLine.all.at(-1) === line) await new Promise((resolve) => setTimeout(resolve, 50))
  TestLine.all.at(-1)?.say({ kind: 'here' })
  await asked(4)
  end()
})

test('a shot of it that another tablet recorded is asked for, another training’s is not', async () => {
  let told = [listedShot(1)]
  const { line, list, times, asked, end } = await pageAt(() => listOf(...told))
  expect(list.shots.value).toHaveLength(1)
  told = [listedShot(2), listedShot(1)]
  line?.say({ kind: 'shot', shotId: shotId(9), trainingId: IDA })
  line?.say({ kind: 'shot', shotId: shotId(2), trainingId: TRAINING })
  line?.say({ kind: 'shot', shotId: shotId(2), trainingId: TRAINING })
  await asked(2)
  expect(list.shots.value.map(({ shot }) => shot.shotId)).toEqual([shotId(2), shotId(1)])
  expect(times()).toBe(2)
  end()
})

test('while an answer is on its way nothing is asked twice, and what changed meanwhile is asked for after it', async () => {
  let answer: (said: Said) => void = () => undefined
  let isHanging = false
  const { line, list, times, asked, says, end } = await pageAt(() => listOf())
  says[LIST] = () =>
    isHanging ? new Promise<Said>((resolve) => (answer = resolve)) : listOf(listedShot(2), listedShot(1))
  isHanging = true
  for (let no = 0; no < 3; no += 1) {
    line?.say({ kind: 'shot', shotId: shotId(no), trainingId: TRAINING })
    await new Promise((resolve) => setTimeout(resolve, 600))
  }
  expect(times()).toBe(2)
  isHanging = false
  answer(listOf(listedShot(1)))
  await asked(3)
  expect(list.shots.value).toHaveLength(2)
  expect(times()).toBe(3)
  end()
})

test('without a line one’s own write makes what it changed stale', async () => {
  let told: ReturnType<typeof listedShot>[] = []
  const { list, says, line, asked, end } = await pageAt(() => listOf(...told))
  if (line) line.readyState = 2
  line?.onerror()
  says['PUT /shots/*'] = () => {
    told = [listedShot(1)]
    return { status: 201, body: listedShot(1) }
  }
  await useOutbox().addShot(shotId(1), { ...shotBy(ODALYS), trainingId: TRAINING })
  await asked(2)
  expect(list.shots.value.map(({ shot, isUnsent }) => [shot.shotId, isUnsent])).toEqual([[shotId(1), false]])
  end()
})
