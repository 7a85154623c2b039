import { noNotes } from '@calm-apron/core'
import { carefulShot } from '@calm-apron/core/testing'
import { inSetup } from '../testing/inSetup.ts'
import { useFactWords } from './useFactWords.ts'

const { result: words, end } = await inSetup(() => useFactWords())
afterAll(() => end())

const MEASURED = { cupMl: null, tampForceN: 120, leadG: null }

test.each([
  ['how hard it was pressed', { measured: { ...MEASURED, tampForceN: 150 } }, /Pressed with/],
  ['the beans that went in', { noted: { ...noNotes(), beansInG: 18.6 } }, /Beans in/],
  [
    'when pre-infusion was let go',
    { clock: { firstDrop: 'marked', firstDropS: 7, stopS: 28, preinfusionEndS: 4, estimated: false } },
    /Pre-infusion let go/,
  ],
  [
    'a note without a line of its own',
    { noted: { ...noNotes(), clumps: true } },
    /Less than is shown here, or a note/,
  ],
  ['less than is shown', { dose: { by: 'net', netG: 18.42 } }, /Less than is shown here, or a note/],
] as const)('a correction of %s alone is one', (_what, also, says) => {
  const before = carefulShot(
    {},
    {
      measured: MEASURED,
      dose: { by: 'net', netG: 18.4 },
      clock: { firstDrop: 'marked', firstDropS: 7, stopS: 28, estimated: false },
    },
  )
  const changes = words.changes(before, { ...before, ...also })
  expect(changes).toHaveLength(1)
  expect(changes[0]).toMatch(says)
})

test('what was left out, and what is not known, are the same', () => {
  const { basketClean: _said, ...before } = carefulShot()
  expect(words.changes(before, { ...before, basketClean: null })).toEqual([])
})
