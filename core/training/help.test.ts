import { type HelpedBefore, isHelpDue } from './help.ts'

/** Ten shots, each with help where it was due; the ones named are missed. */
function tenShots(missed: readonly number[] = []): string {
  const before: HelpedBefore[] = []
  for (let no = 1; no <= 12; no += 1)
    before.push({ isHelped: isHelpDue(before), isMissed: missed.includes(no) })
  return before.map(({ isHelped }) => (isHelped ? 'h' : '-')).join('')
}

test('help is there for three shots of something new, then every other time, then no more', () => {
  expect(tenShots()).toBe('hhh-h-h-h---')
})

test('two misses running bring it back, for as long as they last; one does not', () => {
  expect(tenShots([10])).toBe('hhh-h-h-h---')
  expect(tenShots([9, 10])).toBe('hhh-h-h-h-h-')
  expect(tenShots([10, 11])).toBe('hhh-h-h-h--h')
})
