import 'fake-indexeddb/auto'
import { type DeviceOrder, SHOT_BY_ITSELF } from '@calm-apron/contract'
import { BASE_UNITS } from '@calm-apron/core'
import { effectScope, nextTick, reactive, ref } from 'vue'
import type { BarDevice, SensorReading } from '../../data/devices/barDevice.ts'
import { readDraft } from '../draft/readDraft.ts'
import { type ShotDraft, draftOf } from '../draft/shotDraft.ts'
import { useRecording } from './useRecording.ts'
import type { useSeries } from './useSeries.ts'
import { useShotClock } from './useShotClock.ts'

const TARGET_G = 36

beforeEach(() => {
  jest.useFakeTimers({ now: 1_000_000 })
})
afterEach(() => {
  jest.useRealTimers()
})

/** A bar with a scale in the test's hands; the series is kept in memory alone. */
function bar(leadsG: readonly number[] = [], isHelped = true, isCueKept = false) {
  const draft = reactive<ShotDraft>(
    draftOf({
      ...SHOT_BY_ITSELF,
      shotId: 's',
      personId: 'p',
      recipeRevisionId: 'r',
      barId: 'b',
      grinderId: null,
      bagId: null,
      madeAt: '2026-11-26T09:00:00Z',
      units: BASE_UNITS,
      correcting: null,
    }),
  )
  draft.step = 'pull'
  const listeners = new Set<(reading: SensorReading) => void>()
  const orders: DeviceOrder[] = []
  const device: BarDevice = {
    state: ref('here'),
    name: ref('Scale'),
    trouble: ref(null),
    pace: ref(1),
    isStandIn: ref(true),
    last: ref({}),
    hear: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    order: (order) => orders.push(order),
    close: () => undefined,
  }
  const weights = ref<{ timeS: number; weightG: number }[]>([])
  const series = {
    weights,
    add: (kind: string, sample: { timeS: number; weightG: number }) => {
      if (kind === 'weight') weights.value = [...weights.value, sample]
      return true
    },
    keep: () => Promise.resolve(),
    clear: () => (weights.value = []),
  } as unknown as ReturnType<typeof useSeries>
  const scope = effectScope()
  const made = scope.run(() => {
    const clock = useShotClock(draft.clock)
    const recording = useRecording({
      draft,
      clock,
      series,
      device,
      targetG: () => TARGET_G,
      cupsG: () => [118.6],
      leadsG: () => leadsG,
      isHelped: () => isHelped,
      isCueOn: () => isHelped || isCueKept,
      usualFirstDropS: () => 7,
    })
    return { clock, recording }
  })
  if (!made) throw new Error('the scope was stopped')
  /** A tenth of a second passes, and a sensor tells. */
  const tell = async (value: number, sensor: SensorReading['sensor'] = 'scale') => {
    jest.advanceTimersByTime(100)
    for (const listener of listeners)
      listener({ sensor, value, atS: (performance.timeOrigin + performance.now()) / 1000 })
    await nextTick()
  }
  return { ...made, draft, orders, tell, end: () => scope.stop() }
}

test('in the set of a house that keeps its cue the stop is cued, and nothing said of where it would end', async () => {
  for (const [isCueKept, isCued] of [
    [true, true],
    [false, false],
  ] as const) {
    const { clock, recording, tell, end } = bar([2, 2, 2, 2, 2], false, isCueKept)
    clock.markNext()
    await nextTick()
    for (let tenth = 0; tenth < 60; tenth += 1) await tell(0)
    for (let weight = 0.16; weight < TARGET_G; weight += 0.16) await tell(weight)
    expect([recording.isCued.value, recording.finishS.value]).toEqual([isCued, null])
    end()
  }
})

test('the scale marks the first drop, cues the stop before the target, and fills in the cup once it has settled', async () => {
  const { clock, recording, draft, orders, tell, end } = bar([2, 2, 2, 2, 2])
  clock.markNext()
  await nextTick()
  for (let tenth = 0; tenth < 60; tenth += 1) await tell(0)
  let weight = 0
  while (!recording.isCued.value) await tell((weight += 0.16))
  expect(Number(draft.clock.firstDropText)).toBeCloseTo(6.2, 0)
  expect(TARGET_G - weight).toBeCloseTo(2, 0)
  clock.markNext()
  await nextTick()
  expect(orders.map((each) => each.kind === 'pump' && each.isOn)).toEqual([true, false])
  expect(draft.texts.weightAtStopG).toBe(weight.toFixed(1))
  for (let tenth = 0; tenth < 8; tenth += 1) await tell((weight += 0.2))
  for (let tenth = 0; tenth < 25; tenth += 1) await tell(weight)
  expect(draft.cup).toMatchObject({ way: 'net', netText: weight.toFixed(1) })
  expect(Number(draft.clock.lastDripText)).toBeGreaterThan(Number(draft.clock.stopText))
  end()
})

test('without help nothing cues the stop, and nobody is told where it would end', async () => {
  const { clock, recording, tell, end } = bar([2, 2, 2, 2, 2], false)
  clock.markNext()
  await nextTick()
  for (let tenth = 0; tenth < 60; tenth += 1) await tell(0)
  for (let weight = 0; weight < TARGET_G; weight += 0.16) await tell(weight)
  expect([clock.phase.value, recording.isCued.value, recording.finishS.value]).toEqual([
    'flowing',
    false,
    null,
  ])
  end()
})

test('in a house of ounces the scale fills in ounces', async () => {
  const { clock, draft, tell, end } = bar()
  draft.units = { ...BASE_UNITS, mass: 'oz' }
  clock.markNext()
  await nextTick()
  for (let weight = 0; weight < 36; weight += 0.2) await tell(weight)
  clock.stop()
  await nextTick()
  for (let tenth = 0; tenth < 25; tenth += 1) await tell(36)
  expect(draft.cup.netText).toBe('1.270')
  expect(readDraft(draft).facts.cup).toEqual({ by: 'net', netG: expect.closeTo(36, 0) })
  end()
})

test('a weight typed by hand stays; one that the scale put in is weighed anew when the stop was taken back', async () => {
  const { clock, draft, tell, end } = bar()
  clock.markNext()
  await nextTick()
  for (let weight = 0; weight < 20; weight += 0.2) await tell(weight)
  clock.stop()
  await nextTick()
  for (let tenth = 0; tenth < 25; tenth += 1) await tell(20)
  expect(draft.cup.netText).toBe('20.0')
  clock.undo()
  await nextTick()
  for (let tenth = 0; tenth < 10; tenth += 1) await tell(22)
  clock.stop()
  await nextTick()
  for (let tenth = 0; tenth < 25; tenth += 1) await tell(22)
  expect(draft.cup.netText).toBe('22.0')
  draft.cup.netText = '21.5'
  clock.undo()
  await nextTick()
  clock.stop()
  await nextTick()
  for (let tenth = 0; tenth < 25; tenth += 1) await tell(22)
  expect(draft.cup.netText).toBe('21.5')
  end()
})

test('three readings of a gauge start the clock at the first of them; a twitch does not', async () => {
  const { clock, tell, end } = bar()
  await tell(4, 'pressure')
  await tell(0, 'pressure')
  await tell(4, 'pressure')
  await tell(5, 'pressure')
  expect(clock.phase.value).toBe('before')
  await tell(6, 'pressure')
  expect(clock.phase.value).toBe('waiting')
  end()
})

test('where nobody started the clock, the filling cup does: exact from the first drop, the pump’s seconds estimated', async () => {
  const { clock, draft, tell, end } = bar()
  for (let tenth = 0; tenth < 10; tenth += 1) await tell(0)
  for (let weight = 0.3; weight < 1.6; weight += 0.2) await tell(weight)
  expect(clock.phase.value).toBe('flowing')
  expect(draft.clock).toMatchObject({ firstDropText: '7.0', estimated: true })
  expect(clock.dropS.value).toBeCloseTo(0.6, 1)
  end()
})

test('a stream that began while nothing was heard has no first drop, and is flowing all the same', async () => {
  const { clock, draft, tell, end } = bar()
  clock.markNext()
  await nextTick()
  jest.advanceTimersByTime(15_000)
  for (let weight = 12; weight < 14; weight += 0.2) await tell(weight)
  expect([clock.phase.value, draft.clock.firstDropText, draft.clock.unmarkedDrop]).toEqual([
    'flowing',
    '',
    'missed',
  ])
  end()
})

test('how long it took from locking in to the start is noted', async () => {
  const { clock, draft, end } = bar()
  draft.lockedInAtMs = performance.timeOrigin + performance.now()
  jest.advanceTimersByTime(7300)
  clock.markNext()
  await nextTick()
  expect(draft.noted.lockToStartS).toBeCloseTo(7.3, 5)
  end()
})

test('a cup set down after locking in is tared by itself; before that, or while coffee runs, nothing is', async () => {
  const { clock, draft, orders, tell, end } = bar()
  const tares = () => orders.filter(({ kind }) => kind === 'tare').length
  for (let tenth = 0; tenth < 8; tenth += 1) await tell(118.7)
  expect(tares()).toBe(0)
  draft.lockedInAtMs = 1
  for (let tenth = 0; tenth < 8; tenth += 1) await tell(118.7)
  expect(tares()).toBe(1)
  for (let tenth = 0; tenth < 8; tenth += 1) await tell(0)
  clock.markNext()
  await nextTick()
  for (let tenth = 0; tenth < 8; tenth += 1) await tell(118.7)
  expect(tares()).toBe(1)
  end()
})
