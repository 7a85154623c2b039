import { effectScope, reactive } from 'vue'
import type { ClockEntry } from '../draft/shotDraft.ts'
import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import { useShotClock } from './useShotClock.ts'

const START_MS = 1_000_000

beforeEach(() => {
  jest.useFakeTimers({ now: START_MS })
})
afterEach(() => {
  jest.useRealTimers()
})

function clockOn(part: Partial<ClockEntry> = {}) {
  const entry = reactive<ClockEntry>({
    startedAtMs: null,
    releaseText: '',
    firstDropText: '',
    stopText: '',
    lastDripText: '',
    unmarkedDrop: null,
    estimated: false,
    pace: 1,
    ...part,
  })
  const scope = effectScope()
  const clock = scope.run(() => useShotClock(entry))
  if (!clock) throw new Error('the scope was stopped')
  return { entry, clock, end: () => scope.stop() }
}

test('start, first drop and stop in turn, in seconds from the start', () => {
  const { entry, clock, end } = clockOn()
  expect(clock.phase.value).toBe('before')
  clock.markNext()
  jest.advanceTimersByTime(6400)
  expect([clock.phase.value, clock.pumpS.value, clock.dropS.value]).toEqual(['waiting', 6.4, null])
  clock.markNext()
  jest.advanceTimersByTime(20_900)
  clock.markNext()
  expect(entry).toMatchObject({ firstDropText: '6.4', stopText: '27.3', estimated: false })
  expect(clock.phase.value).toBe('stopped')
  expect(clock.dropS.value).toBeCloseTo(20.9)
  end()
})

test('a second touch within a third of a second is the same finger', () => {
  const { entry, clock, end } = clockOn()
  clock.markNext()
  jest.advanceTimersByTime(200)
  clock.markNext()
  expect(entry.firstDropText).toBe('')
  jest.advanceTimersByTime(400)
  clock.markNext()
  expect(entry.firstDropText).toBe('0.6')
  end()
})

test('a shot can be stopped before any drop', () => {
  const { entry, clock, end } = clockOn()
  clock.markNext()
  jest.advanceTimersByTime(45_000)
  clock.stop()
  expect(entry).toMatchObject({ firstDropText: '', stopText: '45.0' })
  end()
})

test('a stop taken back lets the clock run on as if it had not been touched', () => {
  const { entry, clock, end } = clockOn()
  clock.markNext()
  jest.advanceTimersByTime(5000)
  clock.markNext()
  jest.advanceTimersByTime(5000)
  clock.markNext()
  jest.advanceTimersByTime(3000)
  clock.undo()
  expect([clock.phase.value, entry.stopText]).toEqual(['flowing', ''])
  jest.advanceTimersByTime(1000)
  clock.markNext()
  expect(entry.stopText).toBe('14.0')
  end()
})

test('marks are taken back one by one, the start last', () => {
  const { entry, clock, end } = clockOn()
  clock.markNext()
  jest.advanceTimersByTime(5000)
  clock.markNext()
  clock.undo()
  expect(clock.phase.value).toBe('waiting')
  clock.undo()
  expect([clock.phase.value, entry.startedAtMs]).toEqual(['before', null])
  clock.undo()
  expect(clock.phase.value).toBe('before')
  end()
})

test('a clock found running spans a reload: it runs on, and is marked as estimated', () => {
  const { entry, clock, end } = clockOn({ startedAtMs: performance.timeOrigin + performance.now() - 8000 })
  expect(entry.estimated).toBe(true)
  expect(clock.isRunning.value).toBe(true)
  clock.markNext()
  expect(Number(entry.firstDropText)).toBeCloseTo(8, 1)
  end()
})

test('a clock that was stopped before a reload is as exact as it was', () => {
  const { entry, end } = clockOn({ startedAtMs: 1, firstDropText: '6.0', stopText: '28.0' })
  expect(entry.estimated).toBe(false)
  end()
})

test.each([
  ['a touch began at the first drop is stopped by the next one', true, 'stopped'],
  ['began where the cup was seen to fill is confirmed first', false, 'flowing'],
] as const)('a clock that %s', (_says, isByHand, phase) => {
  const { entry, clock, end } = clockOn()
  clock.startAtDrop(monotonicNowMs(), 7.5, isByHand)
  jest.advanceTimersByTime(1000)
  clock.markNext()
  expect([entry.firstDropText, entry.estimated, clock.phase.value]).toEqual(['7.5', true, phase])
  end()
})
