import { HYPOTHESES } from './hypotheses.ts'
import { type Candidate, MENDS, PUCK_MOVES, bestOf, lookWorth } from './moves.ts'

/** All belief on some hypotheses, by their faults. */
function believed(shares: Record<string, number>): Float64Array {
  const posterior = new Float64Array(HYPOTHESES.length)
  for (const [faults, share] of Object.entries(shares)) {
    const at = HYPOTHESES.findIndex((each) => each.faults.join('+') === faults)
    if (at < 0) throw new Error(`no hypothesis ${faults}`)
    posterior[at] = share
  }
  return posterior
}
const LEAVE: Candidate = { move: { lever: 'leave' }, mends: {} }
const FINER: Candidate = {
  move: { lever: 'grind', direction: 'finer', steps: 2, toSetting: null },
  mends: { 'grind-too-coarse': 1 },
}
const lever = (candidates: readonly Candidate[], shares: Record<string, number>) =>
  bestOf(candidates, believed(shares))?.candidate.move.lever

test('what mends the likeliest cause is chosen', () => {
  expect(lever(MENDS, { cold: 0.6, dirty: 0.4 })).toBe('heat')
  expect(lever(MENDS, { cold: 0.4, dirty: 0.6 })).toBe('clean')
})

test('mending the only fault is worth 1, one of two 0.6, nothing −0.15', () => {
  const benefit = (shares: Record<string, number>) =>
    bestOf(
      MENDS.filter(({ move }) => move.lever === 'heat'),
      believed(shares),
    )?.benefit
  expect(benefit({ cold: 1 })).toBeCloseTo(1)
  expect(benefit({ 'dose-low+cold': 1 })).toBeCloseTo(0.6)
  expect(benefit({ dirty: 1 })).toBeCloseTo(-0.15)
  expect(benefit({ cold: 0.5, dirty: 0.5 })).toBeCloseTo(0.425)
})

test('a grind move needs more belief than any other, because a wrong one spoils the next shot', () => {
  const candidates = [FINER, ...MENDS]
  expect(lever(candidates, { 'grind-too-coarse': 0.5, 'coffee-stale': 0.5 })).toBe('bag')
  expect(lever(candidates, { 'grind-too-coarse': 0.7, 'coffee-stale': 0.3 })).toBe('grind')
})

test('nothing wrong is left alone', () => {
  expect(lever([LEAVE, FINER, ...MENDS], { '': 0.8, cold: 0.2 })).toBe('leave')
})

test('no candidate, no move', () => {
  expect(bestOf([], believed({ cold: 1 }))).toBeNull()
})

test('a look is worth more, the more it would tell', () => {
  expect(lookWorth(0.5)).toBeGreaterThan(lookWorth(0.1))
  expect(lookWorth(0)).toBeGreaterThan(0)
})

test('puck moves are those that give the water an even bed', () => {
  expect(PUCK_MOVES.map(({ move }) => move.lever)).toEqual(['tamp', 'tamp', 'distribution', 'dry'])
})
