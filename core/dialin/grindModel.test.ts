import fc from 'fast-check'
import { BENDS, bent, steepness, unbent } from './curve.ts'
import { chancesAt, missLnAt } from './grindChances.ts'
import { grindModel } from './grindModel.ts'
import type { GrinderBelief } from './grinderBelief.ts'
import type { Level } from './level.ts'
import type { Observation } from './observations.ts'

const LEVEL: Level = { fineness: 0, from: 'middle-of-scale', under: () => ({ place: 0, sd: 0.5 }) }
const BELIEF: GrinderBelief = {
  bends: BENDS.map(({ bend, weight }) => ({
    bend,
    log: Math.log(weight),
    lnMean: Math.log(0.08),
    lnSd: 0.5,
  })),
  dose: { elasticity: 3.6, sd: 0.5 },
}
const TARGET_S = Math.sqrt(25 * 31)
const NO_CHANCE = { inWindow: NaN, landed: NaN, belongs: NaN, leftSd: NaN }
const HALF = Math.log(31 / 25) / 2

const seen = (fineness: number, s: number, also: Partial<Observation> = {}): Observation => ({
  coffeeId: 'tern',
  daysAgo: 0,
  setting: -fineness,
  fineness,
  missLn: Math.log(s / TARGET_S),
  doseLn: 0,
  bound: null,
  extraSd: 0,
  isDialIn: true,
  ...also,
})
const model = (...shots: Observation[]) => grindModel(LEVEL, BELIEF, shots)
const secondsAt = (shots: readonly Observation[], fineness: number) =>
  TARGET_S * Math.exp(missLnAt(model(...shots), fineness).mean)

test('property: every time has its place on the line, and every place its time, however it bends', () => {
  const anyBend = fc.constantFrom(...BENDS.map(({ bend }) => bend))
  fc.assert(
    fc.property(anyBend, fc.double({ min: -0.9, max: 0.9, noNaN: true }), (bend, x) => {
      expect(unbent(bent(x, bend), bend)).toBeCloseTo(x, 6)
      expect(bent(x + 0.01, bend)).toBeGreaterThan(bent(x, bend))
      expect((bent(x + 1e-5, bend) - bent(x, bend)) / 1e-5).toBeCloseTo(steepness(x, bend), 2)
    }),
  )
  // A gush beyond what the line reaches still has a place.
  expect(Number.isFinite(unbent(-9, 0.9))).toBe(true)
})

test('without shots it is what was believed before', () => {
  const { mean, sd } = missLnAt(model(), 0)
  expect(mean).toBeCloseTo(0.1, 0)
  expect(sd).toBeGreaterThan(0.4)
})

test('a shot moves the line to it, nearly all the way', () => {
  const { mean, sd } = missLnAt(model(seen(0, 40)), 0)
  expect(mean).toBeGreaterThan(Math.log(37 / TARGET_S))
  expect(sd).toBeLessThan(0.15)
})

test('two shots about the target tell the slope there', () => {
  const apart = model(seen(-2, TARGET_S * Math.exp(-0.24)), seen(2, TARGET_S * Math.exp(0.24)))
  expect(apart.mean.slope).toBeGreaterThan(0.09)
  expect(apart.mean.slope).toBeLessThan(0.15)
})

test('three shots tell that it bends: finer does more than a straight line through the others would', () => {
  const shots = [seen(-6, 18.5), seen(-3, 22.5), seen(0, 28)]
  expect(secondsAt(shots, 4)).toBeGreaterThan(28 * (28 / 22.5) ** (4 / 3))
})

test('a bound says only that much: longer than 45 s leaves what was believed above it', () => {
  const bounded = missLnAt(model(seen(0, 45, { bound: 'at-least' })), 0)
  const exact = missLnAt(model(seen(0, 45)), 0)
  expect(bounded.mean).toBeGreaterThan(exact.mean + 0.05)
  expect(bounded.sd).toBeGreaterThan(1.5 * exact.sd)
})

test('a choke is no slip of the hand: it is not explained away', () => {
  const choked = model(seen(0, 24), seen(0, 24.5), seen(3, 65, { bound: 'at-least' }))
  expect(missLnAt(choked, 3).mean).toBeGreaterThan(Math.log(50 / TARGET_S))
})

test('a shot whose faults were seen weighs less', () => {
  const by = (extraSd: number) => missLnAt(model(seen(0, 40, { extraSd })), 0).mean
  expect(by(0.5)).toBeLessThan(0.8 * by(0))
})

test('one odd shot among sound ones hardly counts', () => {
  const shots = [seen(0, 28), seen(0, 28.5), seen(0, 27.6), seen(0, 17)]
  expect(secondsAt(shots, 0)).toBeGreaterThan(26.5)
})

test('what the dose did is taken off, and leaves some doubt', () => {
  const plain = missLnAt(model(seen(0, 28)), 0)
  const heavy = missLnAt(model(seen(0, 28 * Math.exp(3.6 * 0.03), { doseLn: 0.03 })), 0)
  expect(heavy.mean).toBeCloseTo(plain.mean, 1)
})

test('property: finer is never expected to be faster, and chances are chances', () => {
  const anyShots = fc.array(fc.tuple(fc.integer({ min: -8, max: 8 }), fc.integer({ min: 8, max: 70 })), {
    maxLength: 5,
  })
  fc.assert(
    fc.property(anyShots, fc.integer({ min: -12, max: 11 }), (shots, at) => {
      const its = model(...shots.map(([fineness, s]) => seen(fineness, s)))
      expect(missLnAt(its, at + 1).mean).toBeGreaterThan(missLnAt(its, at).mean)
      const [chances] = chancesAt(its, at, HALF, [0])
      const { inWindow, landed, belongs, leftSd } = chances ?? NO_CHANCE
      expect(landed).toBeLessThanOrEqual(inWindow + 1e-9)
      expect(landed).toBeLessThanOrEqual(belongs + 1e-9)
      expect(inWindow).toBeLessThanOrEqual(1 + 1e-9)
      expect(leftSd).toBeGreaterThanOrEqual(0)
      const { count, weight } = its.nodes
      expect(weight.subarray(0, count).reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 9)
    }),
    { numRuns: 40 },
  )
})
