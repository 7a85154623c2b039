import fc from 'fast-check'
import {
  type AllStepsSeen,
  STEP_MARKS,
  allWatched,
  firstOpen,
  markOf,
  markOfStep,
  nextMark,
  noStepsSeen,
  withMarked,
  withStepMarked,
} from './stepMarks.ts'
import { STEP_KEYS, shippedStep } from './steps.ts'

const NOTHING: AllStepsSeen = { ...noStepsSeen(), ownSteps: [] }
const OWN = { ...shippedStep(null), what: 'Say what you smell' }

test('a step stands in one list at the most, whatever is tapped', () => {
  const tap = fc.tuple(fc.constantFrom(...STEP_KEYS), fc.constantFrom(...STEP_MARKS, null))
  fc.assert(
    fc.property(fc.array(tap), (taps) => {
      const seen = taps.reduce((now, [step, mark]) => withStepMarked(now, step, mark), noStepsSeen())
      const all = [...seen.stepsDone, ...seen.stepsPrompted, ...seen.stepsMissed]
      expect(new Set(all).size).toBe(all.length)
      const [step, mark] = taps.at(-1) ?? ['tamp', null]
      expect(markOfStep(seen, step)).toBe(mark)
    }),
  )
})

test('all done in a tap leaves what was marked as it was', () => {
  const missed = withMarked(NOTHING, shippedStep('purge'), 'missed')
  const seen = allWatched(missed, [shippedStep('purge'), shippedStep('grind'), OWN, shippedStep('tamp')])
  expect(seen).toEqual({
    stepsDone: ['grind', 'tamp'],
    stepsPrompted: [],
    stepsMissed: ['purge'],
    ownSteps: [{ what: OWN.what, mark: 'done' }],
  })
})

test('a house’s own step is marked by its words, once, and can be unmarked', () => {
  const once = withMarked(NOTHING, OWN, 'done')
  const again = withMarked(once, OWN, 'prompted')
  expect([markOf(NOTHING, OWN), markOf(once, OWN), markOf(again, OWN)]).toEqual([null, 'done', 'prompted'])
  expect(again.ownSteps).toHaveLength(1)
  expect(withMarked(again, OWN, null)).toEqual(NOTHING)
})

test('where the order is kept the first step that nobody marked is the next, be it left out or done', () => {
  const steps = [shippedStep('purge'), OWN, shippedStep('tamp')]
  expect(firstOpen(NOTHING, steps)?.key).toBe('purge')
  const left = withMarked(NOTHING, shippedStep('purge'), 'missed')
  expect(firstOpen(left, steps)).toBe(OWN)
  expect(firstOpen(allWatched(left, steps), steps)).toBeNull()
})

test('one tap after the other: done, prompted, missed, not watched', () => {
  const marks = [nextMark(null)]
  for (let taps = 0; taps < 3; taps += 1) marks.push(nextMark(marks.at(-1) ?? null))
  expect(marks).toEqual(['done', 'prompted', 'missed', null])
})
