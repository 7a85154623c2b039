import fc from 'fast-check'
import { FAULTS } from '../diagnosis/causes.ts'
import { seeded } from '../random/seeded.ts'
import { readShot } from '../reading/readShot.ts'
import { canBeEntered } from '../shot/signEntries.ts'
import type { Sign } from '../shot/signs.ts'
import { DROP_RECIPE, PUMP_RECIPE } from '../testing/examples.ts'
import { makeCase } from './makeCase.ts'
import { BAR_MIX, FLAT_MIX, drawFaults, shareOf } from './mix.ts'
import { note, observablesOf } from './observe.ts'
import { plantFaults } from './plant.ts'
import { simulateFlow } from './simulateShot.ts'
import { pumpTargetS, settingFor } from './truth.ts'
import { CAREFUL_SHOT, EXAMPLE_BENCH } from './types.ts'

const planted = new Map<string, ReturnType<typeof plantFaults>>()
/** Each shot is simulated once, however many tests look at it. */
function plant(faults: readonly (typeof FAULTS)[number][], seed = 1) {
  const key = `${faults.join()} ${seed}`
  const truth = planted.get(key) ?? plantFaults(faults, PUMP_RECIPE, seeded(seed))
  planted.set(key, truth)
  return truth
}
/** The mean of one thing over a few plantings of a fault. */
const mean = (fault: (typeof FAULTS)[number] | null, of: (truth: ReturnType<typeof plant>) => number) => {
  const seeds = [1, 2, 3, 4]
  return seeds.reduce((sum, seed) => sum + of(plant(fault === null ? [] : [fault], seed)), 0) / seeds.length
}

describe('planting', () => {
  test('a careful shot lands in its window', () => {
    for (const seed of [1, 2, 3, 4, 5]) {
      const { shot } = plant([], seed)
      expect(shot.stopS).toBeGreaterThan(25)
      expect(shot.stopS).toBeLessThan(31)
      expect(Math.abs(shot.cup.bitter - shot.cup.sour)).toBeLessThan(2)
    }
  })

  test.each(FAULTS)('%s can be planted, and leaves something to be seen', (fault) => {
    const [without, withFault] = [plant([]), plant([fault])]
    expect(withFault.faults).toEqual([fault])
    const seen = (truth: ReturnType<typeof plant>) => JSON.stringify(observablesOf(truth, 0.1))
    expect(seen(withFault)).not.toBe(seen(without))
  })

  test.each([
    ['grind-too-coarse', (truth: ReturnType<typeof plant>) => -truth.shot.stopS],
    ['grind-too-fine', (truth: ReturnType<typeof plant>) => truth.shot.stopS],
    ['dose-low', (truth: ReturnType<typeof plant>) => -truth.done.doseG],
    ['cold', (truth: ReturnType<typeof plant>) => truth.shot.cup.sour],
    ['too-hot', (truth: ReturnType<typeof plant>) => truth.shot.cup.bitter],
    ['poor-distribution', (truth: ReturnType<typeof plant>) => truth.shot.channelledShare],
    ['tamp-tilted', (truth: ReturnType<typeof plant>) => truth.shot.channelledShare],
    ['coffee-stale', (truth: ReturnType<typeof plant>) => -truth.shot.cup.crema],
    ['coffee-too-fresh', (truth: ReturnType<typeof plant>) => truth.shot.cup.crema],
    ['dirty', (truth: ReturnType<typeof plant>) => truth.shot.cup.rancid],
    ['roast-character', (truth: ReturnType<typeof plant>) => truth.shot.cup.ashy],
    ['poor-water', (truth: ReturnType<typeof plant>) => truth.shot.cup.flat],
    ['stopped-late', (truth: ReturnType<typeof plant>) => truth.shot.cupG],
    ['ratio-short', (truth: ReturnType<typeof plant>) => truth.shot.cup.sour],
    ['ratio-long', (truth: ReturnType<typeof plant>) => truth.shot.cup.bitter],
  ] as const)('%s shows where the craft says it does', (fault, of) => {
    expect(mean(fault, of)).toBeGreaterThan(mean(null, of))
  })

  test('the right setting is found for any slope, either way', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.015, max: 0.06, noNaN: true }), fc.boolean(), (slope, isFinerLower) => {
        const bench = {
          ...EXAMPLE_BENCH,
          lnDiameterPerUnit: isFinerLower ? slope : -slope,
          diameterAtZeroUm: 9,
        }
        const setting = settingFor(bench, CAREFUL_SHOT, 28)
        expect(simulateFlow(bench, { ...CAREFUL_SHOT, setting }).stopS).toBeCloseTo(28, 0)
      }),
      { numRuns: 10 },
    )
  })

  test('a drop window is met on the drop clock', () => {
    expect(pumpTargetS(PUMP_RECIPE)).toBe(28)
    expect(pumpTargetS(DROP_RECIPE)).toBe(30.5)
  })
})

describe('cases', () => {
  test('one seed is one case, another is another', () => {
    const of = (seed: number) => JSON.stringify(makeCase(seed, 0.5, [PUMP_RECIPE]))
    expect(of(11)).toBe(of(11))
    expect(of(11)).not.toBe(of(12))
  })

  test('the harder, the less is noted; only hard ones mislead', () => {
    const seeds = Array.from({ length: 16 }, (_, seed) => seed)
    const notes = (difficulty: number) =>
      seeds.reduce((sum, seed) => sum + makeCase(seed, difficulty, [PUMP_RECIPE]).notes.length, 0)
    expect(notes(1)).toBeLessThan(0.8 * notes(0))
    expect(seeds.every((seed) => makeCase(seed, 0, [PUMP_RECIPE]).distractor === null)).toBe(true)
    expect(seeds.some((seed) => makeCase(seed, 1, [PUMP_RECIPE]).distractor !== null)).toBe(true)
  })

  test.each([
    ['flat', FLAT_MIX],
    ['as at a training bar', BAR_MIX],
  ])('none, one and two faults come about as often as the mix says: %s', (_name, mix) => {
    const chance = seeded(7)
    const drawn = Array.from({ length: 4000 }, () => drawFaults(mix, chance))
    const share = (is: (faults: readonly string[]) => boolean) => drawn.filter(is).length / drawn.length
    expect(Math.abs(share(({ length }) => length === 0) - mix.none)).toBeLessThan(0.02)
    expect(share(({ length }) => length === 2)).toBeGreaterThan(mix.pair / 2)
    expect(share(({ length }) => length === 2)).toBeLessThanOrEqual(mix.pair + 0.02)
    for (const fault of FAULTS) {
      const first = share(([each]) => each === fault) / (1 - mix.none)
      expect(Math.abs(first - shareOf(mix, fault))).toBeLessThan(0.02)
    }
  })

  test('at a training bar grind, dose, distribution and tamp lead by far', () => {
    const leading = FAULTS.filter((fault) => /^(grind|dose|tamp|poor-distribution)/.test(fault))
    expect(leading.reduce((sum, fault) => sum + shareOf(BAR_MIX, fault), 0)).toBeGreaterThan(0.7)
  })

  test('a case holds only what can be entered at the bar', () => {
    for (let seed = 0; seed < 40; seed += 1) {
      const { context } = makeCase(seed, 0, [PUMP_RECIPE])
      for (const [sign, isSeen] of Object.entries(context.signs))
        expect([sign, canBeEntered(sign as Sign, isSeen)]).toEqual([sign, true])
    }
  })

  test('every case can be read', () => {
    for (let seed = 0; seed < 20; seed += 1) {
      const { facts, recipe, context } = makeCase(seed, (seed % 5) / 4, [PUMP_RECIPE, DROP_RECIPE])
      expect(() => readShot(facts, recipe, context)).not.toThrow()
    }
  })

  test('a note is spread about what is there', () => {
    const chance = seeded(5)
    const values = Array.from({ length: 400 }, () =>
      Number(
        note({ key: 'cupG', kind: 'number', mean: 36, sd: 0.3, isWhole: false, group: 'cup' }, chance).value,
      ),
    )
    expect(values.reduce((sum, value) => sum + value, 0) / values.length).toBeCloseTo(36, 1)
    expect(new Set(values).size).toBeGreaterThan(390)
  })
})
