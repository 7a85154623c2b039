import fc from 'fast-check'
import { STEP_MARKS, allWatched, markOfStep, nextMark, noStepsSeen, withStepMarked } from './stepMarks.ts'
import { STEP_KEYS } from './steps.ts'

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
  const missed = withStepMarked(noStepsSeen(), 'purge', 'missed')
  const seen = allWatched(missed, ['purge', 'grind', 'tamp'])
  expect(seen).toEqual({ stepsDone: ['grind', 'tamp'], stepsPrompted: [], stepsMissed: ['purge'] })
})

test('one tap after the other: done, prompted, missed, not watched', () => {
  const marks = [nextMark(null)]
  for (let taps = 0; taps < 3; taps += 1) marks.push(nextMark(marks.at(-1) ?? null))
  expect(marks).toEqual(['done', 'prompted', 'missed', null])
})
