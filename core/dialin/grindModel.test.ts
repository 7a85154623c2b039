import fc from 'fast-check'
import { belongsAt, chancesAt, grindModel, lnTimeAt } from './grindModel.ts'
import type { LevelBelief } from './level.ts'
import type { Observation } from './observations.ts'

const LEVEL: LevelBelief = { fineness: 0, lnTime: Math.log(28), sd: 0.5, from: 'middle-of-scale' }
const SLOPE = { lnMean: Math.log(0.08), lnSd: 0.5 }
const WINDOW = { from: Math.log(25), to: Math.log(31) }

const seen = (fineness: number, s: number, also: Partial<Observation> = {}): Observation => ({
  coffeeId: 'tern',
  daysAgo: 0,
  isThisSession: true,
  setting: -fineness,
  fineness,
  lnTime: Math.log(s),
  bound: null,
  extraSd: 0,
  ...also,
})

test('without shots it is what was believed before', () => {
  const { mean, variance } = grindModel(LEVEL, SLOPE, [])
  expect(mean.level).toBeCloseTo(LEVEL.lnTime, 2)
  expect(Math.sqrt(variance.level)).toBeCloseTo(LEVEL.sd, 1)
})

test('a shot moves the level to it, nearly all the way', () => {
  const { mean, variance } = grindModel(LEVEL, SLOPE, [seen(0, 40)])
  expect(mean.level).toBeGreaterThan(Math.log(37))
  expect(Math.sqrt(variance.level)).toBeLessThan(0.15)
})

test('two shots apart tell the slope', () => {
  const { mean } = grindModel(LEVEL, SLOPE, [seen(-5, 28 * Math.exp(-0.6)), seen(5, 28 * Math.exp(0.6))])
  expect(mean.slope).toBeCloseTo(0.12, 2)
})

test('a bound says only that much: longer than 45 s leaves what was believed above it', () => {
  const bounded = grindModel(LEVEL, SLOPE, [seen(0, 45, { bound: 'at-least' })])
  const exact = grindModel(LEVEL, SLOPE, [seen(0, 45)])
  expect(bounded.mean.level).toBeGreaterThan(exact.mean.level + 0.05)
  expect(bounded.variance.level).toBeGreaterThan(2 * exact.variance.level)
})

test('a shot whose faults were seen weighs less', () => {
  const sound = grindModel(LEVEL, SLOPE, [seen(0, 40)])
  const gated = grindModel(LEVEL, SLOPE, [seen(0, 40, { extraSd: 0.5 })])
  expect(Math.abs(gated.mean.level - LEVEL.lnTime)).toBeLessThan(
    0.75 * Math.abs(sound.mean.level - LEVEL.lnTime),
  )
})

test('one odd shot among sound ones hardly counts', () => {
  const sound = [seen(0, 28), seen(0, 28.5), seen(0, 27.6)]
  const withOdd = grindModel(LEVEL, SLOPE, [...sound, seen(0, 17)])
  expect(withOdd.mean.level).toBeGreaterThan(Math.log(26.5))
})

test('property: finer is never expected to be faster, and chances are chances', () => {
  const anyShots = fc.array(fc.tuple(fc.integer({ min: -10, max: 10 }), fc.integer({ min: 8, max: 70 })), {
    maxLength: 5,
  })
  fc.assert(
    fc.property(anyShots, fc.integer({ min: -15, max: 14 }), (shots, at) => {
      const model = grindModel(
        LEVEL,
        SLOPE,
        shots.map(([fineness, s]) => seen(fineness, s)),
      )
      expect(lnTimeAt(model, at + 1).mean).toBeGreaterThan(lnTimeAt(model, at).mean)
      const { inWindow, landed } = chancesAt(model, at, WINDOW, 0)
      expect(landed).toBeLessThanOrEqual(inWindow + 1e-9)
      expect(landed).toBeLessThanOrEqual(belongsAt(model, at, WINDOW, 0) + 1e-9)
      expect(inWindow).toBeLessThanOrEqual(1 + 1e-9)
      expect(model.nodes.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9)
    }),
    { numRuns: 40 },
  )
})
