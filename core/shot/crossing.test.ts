import fc from 'fast-check'
import { crossingS } from './crossing.ts'

/** A steady stream of 1.5 g/s from second 8 on. */
const stream = (untilS: number) =>
  Array.from({ length: untilS * 10 + 1 }, (_, tenth) => ({
    timeS: tenth / 10,
    weightG: Math.max(0, (tenth / 10 - 8) * 1.5),
  }))

test('between two samples in proportion', () => {
  expect(crossingS(stream(40), 36.03)).toBeCloseTo(8 + 36.03 / 1.5, 6)
})

test('stopped a little before, it is projected at the last flow', () => {
  expect(crossingS(stream(30), 36)).toBeCloseTo(32, 6)
})

test('stopped far before, or without any flow, it is not made up', () => {
  expect(crossingS(stream(20), 36)).toBeNull()
  expect(crossingS([], 36)).toBeNull()
  expect(crossingS(stream(7), 36)).toBeNull()
})

test('property: a higher level is never crossed earlier', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 40, noNaN: true }),
      fc.double({ min: 0, max: 8, noNaN: true }),
      (levelG, more) => {
        const [first, second] = [crossingS(stream(40), levelG), crossingS(stream(40), levelG + more)]
        expect(second ?? 0).toBeGreaterThanOrEqual(first ?? 0)
      },
    ),
  )
})
