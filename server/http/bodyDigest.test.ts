import { noNotes } from '@calm-apron/core'
import { bodyDigest, isOfThisBody, sentDigest } from './bodyDigest.ts'

const { isHelped: _helped, weightsSeen: _seen, ...firstNotes } = noNotes()

test('a body of the first release is known again, whatever its parts were given since', () => {
  const first = {
    note: 'n',
    content: { name: 'A', method: { lowDoseRule: 'discard' }, groups: [{ buttons: [{ name: 'One cup' }] }] },
  }
  const read = {
    note: 'n',
    isSimulated: false,
    content: {
      coffeeId: null,
      name: 'A',
      method: { lowDoseRule: 'discard', mayExceedBasket: false },
      groups: [{ buttons: [{ name: 'One cup', ml: null }] }],
    },
  }
  expect(isOfThisBody(bodyDigest(first), first, read)).toBe(true)
  expect(isOfThisBody(bodyDigest({ thing: first }), {}, { thing: read })).toBe(true)
  const other = {
    ...read,
    content: { ...read.content, groups: [{ buttons: [{ name: 'One cup', ml: 30 }] }] },
  }
  expect(isOfThisBody(bodyDigest(first), first, other)).toBe(false)
})

test('so is a shot of then, with the notes that were taken then', () => {
  const kept = Object.fromEntries(
    Object.entries(firstNotes).filter(([name]) => ['clumps', 'marks', 'stepsDone', 'signs'].includes(name)),
  )
  const read = { facts: { noted: { ...kept, isHelped: null, weightsSeen: [], cupLine: null } } }
  expect(isOfThisBody(bodyDigest({ facts: { noted: kept } }), {}, read)).toBe(true)
  const more = { facts: { noted: { ...read.facts.noted, cupLine: 'at' } } }
  expect(isOfThisBody(bodyDigest({ facts: { noted: kept } }), {}, more)).toBe(false)
})

test('since then a body is known as it came', () => {
  expect(isOfThisBody(sentDigest({ a: 1, b: 2 }), { b: 2, a: 1 }, {})).toBe(true)
  expect(isOfThisBody(sentDigest({ a: 1 }), { a: 1, b: null }, { a: 1 })).toBe(false)
})
