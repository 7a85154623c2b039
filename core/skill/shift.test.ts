import { shifts } from './shift.ts'

const BASELINE = { centre: 0, spread: 1 }

test('a run about its baseline shifts nowhere', () => {
  expect(shifts([0.5, -0.5, 1, -1, 0.4, -0.8, 0.9, -0.2], BASELINE)).toEqual([])
})

test('sums that are worked by hand: 1.5 above, five times', () => {
  // Each adds 1.5 − 0.5 = 1; the fifth takes the sum past 4.
  expect(shifts([1.5, 1.5, 1.5, 1.5, 1.5], BASELINE)).toEqual([{ at: 4, side: 1 }])
})

test('it is measured in spreads from the centre, on either side, and begins anew', () => {
  const run = Array<number>(10).fill(2 - 0.75)
  expect(shifts(run, { centre: 2, spread: 0.5 })).toEqual([
    { at: 4, side: -1 },
    { at: 9, side: -1 },
  ])
})
