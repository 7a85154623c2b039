import type { Call } from './tasting.ts'
import { diagnose, readShot } from '@calm-apron/core'
import { PUMP_RECIPE, carefulShot, taste } from '@calm-apron/core/testing'
import { callScore } from './callScore.ts'

const call = (part: Partial<Call>): Call => ({
  callId: 'c',
  shotId: 's',
  personId: 'p',
  stage: 'final',
  verdict: 'under',
  cause: null,
  move: 'finer',
  calledAt: '',
  takenDownBy: null,
  receivedAt: '',
  rulesVersion: 2,
  isClaimed: false,
  ...part,
})
const fast = diagnose(
  readShot(carefulShot({ firstDropS: 4, stopS: 17 }, { taste: taste(8, 3, 2) }), PUMP_RECIPE),
  { setting: 14, grinder: null },
)

test('a call that names verdict and move earns more than one that names neither', () => {
  expect(fast.verdict).toBe('under')
  const right = callScore(call({}), fast) ?? NaN
  const wrong = callScore(call({ verdict: 'over', move: 'coarser' }), fast) ?? NaN
  expect(right).toBeGreaterThan(wrong)
  expect(wrong).toBe(0)
})

test('what was left out, or half said, is not scored', () => {
  expect(callScore(null, fast)).toBeNull()
  expect(callScore(call({ verdict: null, move: null }), fast)).toBeNull()
  expect(callScore(call({ move: null }), fast)).toBeNull()
})

test('of a shot that nobody to be trusted tasted, cause and move are scored alone', () => {
  const untasted = diagnose(readShot(carefulShot({ firstDropS: 4, stopS: 17 }), PUMP_RECIPE), {
    setting: 14,
    grinder: null,
  })
  expect(callScore(call({ verdict: 'over', cause: 'grind-too-coarse' }), untasted)).toBe(1)
})

test('where a trainer read it otherwise, the call is scored against the trainer', () => {
  const ruling = { verdict: 'over', cause: 'dirty', move: 'hold' } as const
  expect(callScore(call({ verdict: 'over', cause: 'dirty', move: 'hold' }), fast, ruling)).toBe(1)
  expect(callScore(call({ verdict: 'over', cause: 'cold', move: 'hold' }), fast, ruling)).toBeCloseTo(
    2 / 3,
    5,
  )
})

test('not to be able to say why is not to say that nothing is wrong', () => {
  const nothing = { verdict: 'balanced', cause: 'none', move: 'hold' } as const
  const unsaid = callScore(call({ ...nothing, cause: null }), fast, nothing) ?? NaN
  expect([callScore(call(nothing), fast, nothing), unsaid < 1]).toEqual([1, true])
})
