import type { DeviceWord } from '@calm-apron/contract'
import { READ_EVERY_MS, StandIn } from './standIn.ts'

/** What the scale says over some seconds, in g. */
function weights(bench: StandIn, fromMs: number, toMs: number): { t: number; value: number; unit: string }[] {
  const all: Extract<DeviceWord, { kind: 'weight' }>[] = []
  for (let now = fromMs; now < toMs; now += READ_EVERY_MS)
    all.push(...bench.read(now).filter((word) => word.kind === 'weight'))
  return all
}
const mean = (all: { value: number }[]) => all.reduce((sum, { value }) => sum + value, 0) / all.length

test('it weighs what lies on it, less the tare', () => {
  const bench = new StandIn()
  bench.obey({ kind: 'put', vesselG: 586.4, contentG: 0 }, 0)
  bench.obey({ kind: 'tare' }, 100)
  bench.obey({ kind: 'add', g: 18.4 }, 200)
  expect(mean(weights(bench, 300, 2300))).toBeCloseTo(18.4, 1)
  bench.obey({ kind: 'take' }, 2400)
  expect(mean(weights(bench, 2500, 3500))).toBeCloseTo(-586.4, 1)
})

test('a pour fills the cup as the physics has it; after the stop some still drips', () => {
  const bench = new StandIn()
  bench.obey({ kind: 'bench', setting: 14, doseG: 18 }, 0)
  bench.obey({ kind: 'pump', isOn: true }, 0)
  const before = weights(bench, 0, 28_000)
  expect(before.slice(0, 30).every(({ value }) => Math.abs(value) < 0.2)).toBe(true)
  const atStop = before.at(-1)?.value ?? 0
  expect(atStop).toBeGreaterThan(30)
  expect(atStop).toBeLessThan(42)
  bench.obey({ kind: 'pump', isOn: false }, 28_000)
  const after = weights(bench, 33_000, 36_000)
  const drips = mean(after) - atStop
  expect(drips).toBeGreaterThan(0.8)
  expect(drips).toBeLessThan(3)
  expect(Math.abs((after[0]?.value ?? 0) - (after.at(-1)?.value ?? 9))).toBeLessThan(0.3)
})

test('finer is slower, under one and the same pump', () => {
  const cup = (setting: number) => {
    const bench = new StandIn()
    bench.obey({ kind: 'bench', setting }, 0)
    bench.obey({ kind: 'pump', isOn: true }, 0)
    return weights(bench, 24_900, 25_000)[0]?.value ?? 0
  }
  expect(cup(12)).toBeLessThan(cup(14) - 2)
  expect(cup(16)).toBeGreaterThan(cup(14) + 2)
})

test('a press is felt and let go again; the gauge shows pressure only while it pours', () => {
  const bench = new StandIn()
  bench.obey({ kind: 'press', forceN: 130 }, 1000)
  const force = (now: number) => bench.read(now).find((word) => word.kind === 'force')?.value ?? 0
  expect(Math.max(...[1100, 1300, 1450, 1600].map(force))).toBeGreaterThan(120)
  expect(force(2200)).toBe(0)
  const bar = (now: number) => bench.read(now).find((word) => word.kind === 'pressure')?.value ?? 0
  expect(bar(3000)).toBe(0)
  bench.obey({ kind: 'pump', isOn: true }, 3000)
  expect(bar(18_000)).toBeGreaterThan(6)
})

describe('faults', () => {
  const faulty = (fault: 'noise' | 'drift' | 'drop-outs' | 'late' | 'wrong-unit' | 'bump' | 'disconnect') => {
    const bench = new StandIn()
    bench.obey({ kind: 'put', vesselG: 100, contentG: 0 }, 0)
    bench.obey({ kind: 'fault', fault, isOn: true }, 0)
    return bench
  }

  test('noise spreads the readings, drift moves them away', () => {
    const values = weights(faulty('noise'), 0, 10_000).map(({ value }) => value)
    expect(Math.max(...values) - Math.min(...values)).toBeGreaterThan(1.5)
    const drifting = weights(faulty('drift'), 0, 60_000)
    expect(mean(drifting.slice(-20)) - mean(drifting.slice(0, 20))).toBeGreaterThan(0.9)
  })

  test('drop-outs are silent, late readings say when they were taken', () => {
    expect(weights(faulty('drop-outs'), 0, 12_000).length).toBeLessThan(100)
    expect(weights(faulty('late'), 5000, 5100)[0]?.t).toBe(4300)
  })

  test('a wrong unit is named, a knock reads far below nothing for a moment', () => {
    const [first] = weights(faulty('wrong-unit'), 0, 100)
    expect(first).toMatchObject({ unit: 'oz' })
    expect(first?.value).toBeCloseTo(100 / 28.35, 2)
    const bench = faulty('bump')
    expect(weights(bench, 0, 100)[0]?.value).toBeLessThan(-10)
    expect(weights(bench, 500, 600)[0]?.value).toBeCloseTo(100, 0)
  })

  test('a device that went away comes back by itself', () => {
    const bench = faulty('disconnect')
    expect([bench.isGone(1000), bench.isGone(9000)]).toEqual([true, false])
  })
})
