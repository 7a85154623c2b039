import type { Cause } from './causes.ts'
import { HYPOTHESES } from './hypotheses.ts'
import { marginals } from './infer.ts'
import { named, posteriorOpen } from './naming.ts'

const of = (...pairs: [Cause, number][]) => pairs.map(([cause, probability]) => ({ cause, probability }))

test.each([
  ['one that carries', of(['cold', 0.7], ['dirty', 0.2]), { as: 'one', causes: ['cold'] }],
  [
    'two that hold at once',
    of(['cold', 0.8], ['dose-low', 0.6]),
    { as: 'both', causes: ['cold', 'dose-low'] },
  ],
  ['nothing beside "nothing is wrong"', of(['none', 0.55], ['cold', 0.42]), { as: 'one', causes: ['none'] }],
  ['one that leads', of(['cold', 0.4], ['dirty', 0.15]), { as: 'one', causes: ['cold'] }],
  ['either of two', of(['cold', 0.35], ['dirty', 0.25]), { as: 'either', causes: ['cold', 'dirty'] }],
  ['not enough to tell', of(['cold', 0.25], ['dirty', 0.2]), { as: 'unclear', causes: [] }],
  ['nothing at all', [], { as: 'unclear', causes: [] }],
])('%s', (_name, causes, expected) => {
  expect(named(causes)).toEqual(expected)
})

describe('what a rule leaves open', () => {
  const even = new Float64Array(HYPOTHESES.length).fill(1 / HYPOTHESES.length)
  const chanceOf = (open: Parameters<typeof posteriorOpen>[1], cause: Cause) =>
    marginals(posteriorOpen(even, open)).find((each) => each.cause === cause)?.probability

  test('all is all', () => {
    expect(posteriorOpen(even, 'all')).toBe(even)
  })

  test('a heading of fault leaves no room for nothing wrong, and the rest makes up to 1', () => {
    expect(chanceOf('faults', 'none')).toBe(0)
    expect(posteriorOpen(even, 'faults').reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 9)
  })

  test('beside the grind it may be the grind as well, but not alone', () => {
    const alone = HYPOTHESES.findIndex(({ faults }) => faults.join() === 'grind-too-coarse')
    expect(posteriorOpen(even, 'beside-grind')[alone]).toBe(0)
    expect(chanceOf('beside-grind', 'grind-too-coarse')).toBeGreaterThan(0)
  })

  test('where it would leave nothing, what was believed stays', () => {
    const onlyNone = new Float64Array(HYPOTHESES.length)
    onlyNone[0] = 1
    expect(posteriorOpen(onlyNone, 'faults')).toBe(onlyNone)
  })
})
