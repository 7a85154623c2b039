import fc from 'fast-check'
import { bedResistance, operatingPressureBar, permeabilityM2, puckDepthM, viscosityPaS } from './physics.ts'
import { BENCH_GRID, simulateShot } from './simulateShot.ts'
import { CAREFUL_SHOT, EXAMPLE_BENCH, type ShotDone } from './types.ts'

const pull = (part: Partial<ShotDone> = {}, stepS?: number) =>
  simulateShot(EXAMPLE_BENCH, { ...CAREFUL_SHOT, ...part }, stepS)

describe('physics', () => {
  test('hot water is about a third as thick as cold', () => {
    expect(viscosityPaS(93)).toBeCloseTo(3.0e-4, 5)
    expect(viscosityPaS(20)).toBeCloseTo(1.0e-3, 4)
  })

  test('10 µm at a porosity of 0.17 lets through what a puck does', () => {
    expect(permeabilityM2(10, 0.17)).toBeCloseTo(3.96e-15, 17)
    const depthM = puckDepthM(18, 25)
    expect(depthM * 100).toBeCloseTo(1.57, 2)
    const resistance = bedResistance({
      permeabilityM2: permeabilityM2(10, 0.17),
      areaCm2: 25,
      depthM,
      viscosityPaS: viscosityPaS(93),
    })
    expect(9 / resistance).toBeGreaterThan(1.5)
    expect(9 / resistance).toBeLessThan(2)
  })

  test('pump and puck agree on one pressure and flow; little resistance shows as low pressure', () => {
    const pump = { maxBar: 9, maxFlowGPerS: 8 }
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 500, noNaN: true }), (resistance) => {
        const bar = operatingPressureBar(pump, resistance)
        expect(bar).toBeCloseTo(pump.maxBar * (1 - (bar / resistance / pump.maxFlowGPerS) ** 2), 6)
      }),
    )
    expect(operatingPressureBar(pump, 0.2)).toBeLessThan(2)
    expect(operatingPressureBar(pump, 1e6)).toBeCloseTo(9)
  })
})

describe('a shot', () => {
  test('18 g give 36 g in a usual time, after a usual first drop, usually extracted', () => {
    const { firstDropS, stopS, cupG, extractionPercent, tdsPercent } = pull()
    expect(firstDropS).toBeGreaterThan(5)
    expect(firstDropS).toBeLessThan(10)
    expect(stopS).toBeGreaterThan(22)
    expect(stopS).toBeLessThan(32)
    expect(cupG).toBeCloseTo(36, 0)
    expect(extractionPercent).toBeGreaterThan(18)
    expect(extractionPercent).toBeLessThan(22)
    expect(tdsPercent).toBeCloseTo((extractionPercent * 18) / cupG, 6)
  })

  const setting = fc.integer({ min: 0, max: 39 })

  test('finer is slower', () => {
    fc.assert(
      fc.property(setting, (coarser) =>
        expect(pull({ setting: coarser }).stopS).toBeGreaterThan(pull({ setting: coarser + 1 }).stopS),
      ),
      { numRuns: 40 },
    )
  })

  test('more dose is slower, by about 2 % for each 0.1 g, up to what the basket is made for', () => {
    fc.assert(
      fc.property(setting, fc.integer({ min: 160, max: 180 }), (at, tenths) => {
        const before = pull({ setting: at, doseG: tenths / 10 }).stopS
        // In a gush most of the time is the filling of the headspace, which no dose changes.
        fc.pre(before > 15)
        const slower = pull({ setting: at, doseG: (tenths + 5) / 10 }).stopS / before
        expect(slower).toBeGreaterThan(1.05)
        expect(slower).toBeLessThan(1.2)
      }),
      { numRuns: 30 },
    )
  })

  test('extraction rises as the grind gets finer, and falls past the point where channels open', () => {
    const byFineness = [36, 30, 24, 18, 12, 8, 4, 0].map((at) => pull({ setting: at }).extractionPercent)
    const highest = byFineness.indexOf(Math.max(...byFineness))
    expect(highest).toBeGreaterThan(3)
    expect(highest).toBeLessThan(byFineness.length - 1)
  })

  test.each([{ tilt: 'clear' }, { unevenness: 0.8 }] as const)(
    'a channelled cup (%j) is faster by 10–30 %%, and sour and bitter together',
    (fault) => {
      const even = pull()
      const channelled = pull(fault)
      expect(channelled.stopS / even.stopS).toBeGreaterThan(0.7)
      expect(channelled.stopS / even.stopS).toBeLessThan(0.9)
      expect(channelled.cup.sour).toBeGreaterThan(even.cup.sour + 1)
      expect(channelled.cup.bitter).toBeGreaterThan(even.cup.bitter + 0.5)
      expect(channelled.cup.sweet).toBeLessThan(even.cup.sweet)
    },
  )

  test('a cold machine makes a sour cup that is no faster', () => {
    const cold = pull({ offC: -10 })
    expect(cold.cup.sour).toBeGreaterThan(pull().cup.sour + 1)
    expect(cold.stopS).toBeGreaterThan(pull().stopS)
  })

  test('an unpurged change runs between the old setting and the new', () => {
    const between = pull({ setting: 14, unpurgedFrom: 22 }).stopS
    expect(between).toBeLessThan(pull({ setting: 14 }).stopS)
    expect(between).toBeGreaterThan(pull({ setting: 22 }).stopS)
  })

  test('a shot that is given up before any drop has none, and an empty cup', () => {
    expect(pull({ stopAtS: 3 })).toMatchObject({ firstDropS: null, cupG: 0, tdsPercent: 0 })
  })

  test('mass is conserved to a millionth, whatever is done', () => {
    fc.assert(
      fc.property(
        setting,
        fc.constantFrom('level', 'slight', 'clear'),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: -12, max: 6, noNaN: true }),
        (at, tilt, unevenness, offC) => {
          expect(Math.abs(pull({ setting: at, tilt, unevenness, offC }).solidsErrorG)).toBeLessThan(1e-6)
        },
      ),
      { numRuns: 30 },
    )
  })

  test('halving the step changes time, yield and extraction by less than 1 %', () => {
    fc.assert(
      fc.property(setting, fc.constantFrom(0, 0.4, 1), (at, unevenness) => {
        const whole = pull({ setting: at, unevenness })
        const half = pull({ setting: at, unevenness }, BENCH_GRID.stepS / 2)
        for (const key of ['stopS', 'cupG', 'extractionPercent'] as const) {
          expect(Math.abs(half[key] / whole[key] - 1)).toBeLessThan(0.01)
        }
      }),
      { numRuns: 25 },
    )
  })

  test('samples come ten times a second and never lose weight', () => {
    const { samples } = pull()
    samples.forEach(({ timeS, weightG }, index) => {
      expect(timeS).toBeCloseTo((index + 1) * BENCH_GRID.sampleS)
      expect(weightG).toBeGreaterThanOrEqual(samples[index - 1]?.weightG ?? 0)
    })
  })
})
