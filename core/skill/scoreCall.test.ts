import { type Call, type CallTruth, scoreCall } from './scoreCall.ts'

const CALL: Call = { verdict: 'under', cause: 'dose-low', move: 'hold' }
const truth = (part: Partial<CallTruth> = {}): CallTruth => ({
  verdict: 'under',
  flow: 'fast',
  move: 'hold',
  causes: [
    { cause: 'dose-low', probability: 0.7 },
    { cause: 'grind-too-coarse', probability: 0.2 },
  ],
  isCauseKnown: false,
  ...part,
})

test.each([
  ['all right', CALL, truth(), 1],
  ['the wrong move', { ...CALL, move: 'finer' }, truth(), 2 / 3],
  ['the runner-up named', { ...CALL, cause: 'grind-too-coarse' }, truth(), 2.5 / 3],
  [
    'the runner-up named where the truth is known',
    { ...CALL, cause: 'grind-too-coarse' },
    truth({ isCauseKnown: true }),
    2 / 3,
  ],
  ['a cause nobody thought of', { ...CALL, cause: 'cold' }, truth(), 2 / 3],
  [
    'no cause sure enough: it is left out',
    { ...CALL, cause: 'cold' },
    truth({ causes: [{ cause: 'dose-low', probability: 0.5 }] }),
    1,
  ],
  ['everything wrong', { verdict: 'over', cause: 'cold', move: 'coarser' }, truth(), 0],
] satisfies [string, Call, CallTruth, number][])('%s', (_name, call, held, score) => {
  expect(scoreCall(call, held)).toBeCloseTo(score)
})

test('"not enough to tell" earns full marks where it is so, and nobody is marked down there', () => {
  expect(scoreCall({ ...CALL, verdict: 'unclear' }, truth({ verdict: 'unclear' }))).toBe(1)
  expect(scoreCall(CALL, truth({ verdict: 'unclear' }))).toBeNull()
})

test('untasted, cause and move are scored and the verdict is not', () => {
  expect(scoreCall({ ...CALL, verdict: 'over' }, truth({ verdict: null }))).toBe(1)
  expect(scoreCall({ ...CALL, move: 'finer' }, truth({ verdict: null }))).toBe(0.5)
})

test('what is said by eye is held against the flow, and nothing where that is not known', () => {
  const byEye: Call = { ...CALL, verdict: 'fast' }
  expect(scoreCall(byEye, truth({ verdict: null }))).toBe(1)
  expect(scoreCall({ ...byEye, verdict: 'slow' }, truth())).toBeCloseTo(2 / 3)
  expect(scoreCall({ ...byEye, verdict: 'slow' }, truth({ flow: null }))).toBe(1)
})
