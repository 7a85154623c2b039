import fc from 'fast-check'
import { bedResistance, operatingPressureBar, permeabilityM2, puckDepthM, viscosityPaS } from './physics.ts'
import { BENCH_GRID, simulateShot } from './simulateShot.ts'
import { type Bench, CAREFUL_SHOT, EXAMPLE_BENCH, type ShotDone, type SimulatedShot } from './types.ts'

const pull = (part: Partial<ShotDone> = {}, bench: Partial<Bench> = {}, stepS?: number) =>
  simulateShot({ ...EXAMPLE_BENCH, ...bench }, { ...CAREFUL_SHOT, ...part }, stepS)
/** Flow at so many seconds after the first drop. */
const flowAfter = ({ samples, firstDropS }: SimulatedShot, s: number) =>
  samples.find(({ timeS }) => timeS >= (firstDropS ?? 0) + s)?.flowGPerS ?? 0

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

const LEVER = { startBar: 9.5, endBar: 4, strokeG: 65 }
const FRESH = { ...EXAMPLE_BENCH.coffee, gas: 1 }

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
  const machine = fc.constantFrom<Partial<Bench>>(
    {},
    { spring: LEVER, preinfusionS: 5, preinfusionBar: 1.5 },
    { swing: { amplitudeC: 8, periodS: 90, phase: 0.1 } },
    { coffee: FRESH },
  )

  test('finer is slower; where both choke, less is in the cup', () => {
    fc.assert(
      fc.property(setting, fc.double({ min: -0.5, max: 0.5, noNaN: true }), (coarser, bend) => {
        const [fine, coarse] = [coarser, coarser + 1].map((at) => pull({ setting: at }, { bend }))
        expect(fine?.stopS).toBeGreaterThanOrEqual(coarse?.stopS ?? Infinity)
        if (fine?.stopS === coarse?.stopS) expect(fine?.cupG).toBeLessThan(coarse?.cupG ?? 0)
      }),
      { numRuns: 40 },
    )
  })

  test('more dose is slower, by about 2 % for each 0.1 g, up to what the basket is made for', () => {
    fc.assert(
      fc.property(setting, fc.integer({ min: 160, max: 175 }), (at, tenths) => {
        const before = pull({ setting: at, doseG: tenths / 10 }).stopS
        // In a gush most of the time is the filling of the headspace, which no dose changes; a choke is given up.
        fc.pre(before > 15 && before < 60)
        const slower = pull({ setting: at, doseG: (tenths + 5) / 10 }).stopS / before
        expect(slower).toBeGreaterThan(1.05)
        expect(slower).toBeLessThan(1.2)
      }),
      { numRuns: 30 },
    )
  })

  test('the finest settings choke: a few grams in a minute, and full pressure behind them', () => {
    const choked = pull({ setting: 0, doseG: 18.6, stopAtS: 60 })
    expect(choked.cupG).toBeLessThan(8)
    expect(choked.firstDropS).toBeGreaterThan(12)
    expect(choked.samples.at(-1)?.pressureBar).toBeGreaterThan(9)
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

  test.each([{ pressed: 0 }, { tilt: 'clear' }, { unevenness: 0.8 }] as const)(
    'what is pressed or spread badly (%j) tastes more sour and more bitter, and less sweet',
    (fault) => {
      const [bad, good] = [pull(fault).cup, pull().cup]
      expect(bad.sour).toBeGreaterThan(good.sour + 1)
      expect(bad.bitter).toBeGreaterThan(good.bitter + 0.2)
      expect(bad.sweet).toBeLessThan(good.sweet)
    },
  )

  test('a small weak place wets with the rest: its first drop comes when an even bed’s does', () => {
    for (const fault of [{ tilt: 'slight' }, { unevenness: 0.3 }, { pressed: 0.8 }] as const) {
      expect(pull(fault).firstDropS).toBeGreaterThan(0.93 * (pull().firstDropS ?? 0))
    }
  })

  test('a weak place washes open: its flow grows where an even bed’s does not', () => {
    const growth = (shot: SimulatedShot) => flowAfter(shot, 8) / flowAfter(shot, 1)
    expect(growth(pull({ tilt: 'clear' }))).toBeGreaterThan(1.15 * growth(pull()))
  })

  test('gas slows the shot and makes its flow wobble, most at first', () => {
    const turns = ({ samples }: SimulatedShot) =>
      samples.filter(({ flowGPerS }, at) => {
        const [before, after] = [samples[at - 1]?.flowGPerS ?? 0, samples[at + 1]?.flowGPerS ?? 0]
        return (flowGPerS - before) * (after - flowGPerS) < 0
      }).length
    const [fresh, rested] = [pull({}, { coffee: FRESH }), pull()]
    expect(fresh.stopS).toBeGreaterThan(1.08 * rested.stopS)
    expect(turns(fresh)).toBeGreaterThan(turns(rested) + 5)
  })

  test('a lever presses less and less', () => {
    const { samples } = pull({}, { spring: LEVER })
    const pressures = samples.filter(({ timeS }) => timeS > 8).map(({ pressureBar }) => pressureBar)
    expect(pressures).toEqual([...pressures].sort((a, b) => b - a))
    expect(pressures.at(-1)).toBeLessThan(0.7 * (pressures[0] ?? 0))
  })

  test('a swinging thermostat: the same hands, nearly the same time, and one cup sour, the other bitter', () => {
    const at = (phase: number) => pull({}, { swing: { amplitudeC: 8, periodS: 100, phase } })
    const [hot, cold] = [at(0.1), at(0.6)]
    expect(Math.abs(Math.log(hot.stopS / cold.stopS))).toBeLessThan(0.17)
    expect(cold.cup.sour - cold.cup.bitter).toBeGreaterThan(1.5)
    expect(hot.cup.bitter - hot.cup.sour).toBeGreaterThan(1.5)
  })

  test('a scale bends either way, by the grinder’s own measure', () => {
    /** ln time from coarse to right, and from right to fine: alike where the scale is straight. */
    const stretches = (bend: number) => {
      const ln = (at: number) => Math.log(pull({ setting: at, stopAtG: 20 }, { bend }).stopS)
      return (ln(8) - ln(14)) / (ln(14) - ln(20))
    }
    expect(stretches(-1)).toBeGreaterThan(1.2 * stretches(0))
    expect(stretches(1)).toBeLessThan(0.85 * stretches(0))
  })

  test('a cold machine makes a sour cup that is no faster', () => {
    const cold = pull({ offC: -10 })
    expect(cold.cup.sour).toBeGreaterThan(pull().cup.sour + 1)
    expect(cold.stopS).toBeGreaterThan(pull().stopS)
  })

  test('an unpurged change runs between the old setting and the new', () => {
    const between = pull({ setting: 14, unpurgedFrom: 22 }).stopS
    expect(between).toBeLessThan(pull({ setting: 14 }).stopS)
    expect(between).toBeGreaterThan(pull({ setting: 22 }).stopS)
    const emptied = pull({ setting: 14, unpurgedFrom: 22 }, { retentionG: 0 }).stopS
    expect(emptied).toBe(pull({ setting: 14 }).stopS)
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
        machine,
        (at, tilt, unevenness, offC, bench) => {
          const { solidsErrorG } = pull({ setting: at, tilt, unevenness, offC }, bench)
          expect(Math.abs(solidsErrorG)).toBeLessThan(1e-6)
        },
      ),
      { numRuns: 30 },
    )
  })

  test('halving the step changes time, yield and extraction by less than 1 %', () => {
    fc.assert(
      fc.property(setting, fc.constantFrom(0, 0.4, 1), machine, (at, unevenness, bench) => {
        const whole = pull({ setting: at, unevenness }, bench)
        const half = pull({ setting: at, unevenness }, bench, BENCH_GRID.stepS / 2)
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
