import fc from 'fast-check'
import { BAR_STEPS } from '../shot/barSteps.ts'
import {
  FOCUS_NAMES,
  FOCUS_ON_ALL,
  FOCUS_PARTS,
  focusNamed,
  isLookedAt,
  isOfHandsOnly,
  isSameFocus,
  isStepAsked,
  nameOfFocus,
  wordsAsked,
} from './focus.ts'

const stepsOf = (name: (typeof FOCUS_NAMES)[number]) =>
  BAR_STEPS.filter((step) => isStepAsked(focusNamed(name), step))

test('a beginner’s first week is dose and tamp; all is every step', () => {
  expect(stepsOf('first-week')).toEqual(['dose', 'tamp'])
  expect(stepsOf('clock-and-weight')).toEqual(['ready', 'dose', 'tamp', 'pull', 'cup', 'look'])
  expect(stepsOf('all')).toEqual(BAR_STEPS)
  expect(FOCUS_NAMES.filter((name) => isOfHandsOnly(focusNamed(name)))).toEqual(['first-week'])
})

test('what is shipped is known by its name, in whatever order it is told; one’s own has none', () => {
  for (const name of FOCUS_NAMES) {
    const focus = focusNamed(name)
    expect(nameOfFocus({ on: focus.on.toReversed() })).toBe(name)
    expect(isSameFocus(focus, { ...focus, on: focus.on.toReversed() })).toBe(true)
    expect(isSameFocus(focus, { ...focus, fullEvery: 1 })).toBe(false)
  }
  expect(nameOfFocus({ on: ['dose'] })).toBeNull()
})

test('where nothing was said all is looked at', () => {
  for (const part of FOCUS_PARTS) expect(isLookedAt(null, part)).toBe(true)
  expect(isLookedAt(focusNamed('first-week'), 'time')).toBe(false)
})

test('one final call a shot; first call and both notes every third, and of each in a set', () => {
  const full = [1, 2, 3, 4, 5, 6].map((turn) => wordsAsked(FOCUS_ON_ALL, turn, false))
  expect(full.map(({ isCallAsked }) => isCallAsked)).toEqual(Array(6).fill(true))
  expect(full.map(({ areNotesAsked }) => areNotesAsked)).toEqual([false, false, true, false, false, true])
  expect(full.map(({ isFirstCallAsked }) => isFirstCallAsked)).toEqual(full.map((each) => each.areNotesAsked))
  expect(wordsAsked(focusNamed('first-week'), 1, true)).toEqual({
    isCallAsked: true,
    isFirstCallAsked: true,
    areNotesAsked: true,
  })
})

test('nothing is asked for that is off', () => {
  fc.assert(
    fc.property(fc.subarray([...FOCUS_PARTS]), fc.integer({ min: 1, max: 9 }), (on, turn) => {
      const asked = wordsAsked({ on, fullEvery: 1 }, turn, false)
      expect(asked.isCallAsked).toBe(on.includes('final-call'))
      if (asked.isFirstCallAsked) expect(on).toContain('first-call')
      if (asked.areNotesAsked) expect(on).toEqual(expect.arrayContaining(['notes', 'taste']))
    }),
  )
})
