import { SIGNS_SHOWN_BY_LOOKS } from '../diagnosis/nextLook.ts'
import { isWord } from '../diagnosis/evidenceTypes.ts'
import { BAR_STEPS } from './barSteps.ts'
import { SIGNS_BY_HAND, SIGNS_MARKED, SIGN_ENTRIES, signGroupsAt, signsIn } from './signEntries.ts'
import { SIGNS } from './signs.ts'

test('every sign that a hand looks for is asked for at one step, once', () => {
  const asked = BAR_STEPS.flatMap((step) => signGroupsAt(step).flatMap(signsIn))
  expect(asked.toSorted()).toEqual(SIGNS_BY_HAND.toSorted())
  expect(SIGNS_BY_HAND.length + SIGNS_MARKED.length).toBe(
    SIGNS.filter((sign) => SIGN_ENTRIES[sign].by !== 'derived').length,
  )
})

test('every sign has a use: a look asks for it, or it is a word for a value', () => {
  const derived = new Set(['at-finest-setting'])
  const unused = SIGNS.filter(
    (sign) => !SIGNS_SHOWN_BY_LOOKS.has(sign) && !isWord(sign) && !derived.has(sign),
  )
  expect(unused).toEqual([])
})
