import { clockOffset } from './clockOffset.ts'

/** How far off the times of readings are, ten a second, of a clock that runs `ppm` fast, over so many hours. */
function worstOffS(ppm: number, hours: number, delayS: (no: number) => number): number {
  const clock = clockOffset()
  let worst = 0
  for (let no = 0; no < hours * 36_000; no += 1) {
    const trueS = no / 10
    const said = clock.heard(trueS * (1 + ppm / 1e6) + 500, trueS + delayS(no))
    // The first few find out how quick a delivery can be.
    if (no > 100) worst = Math.max(worst, Math.abs(said - trueS))
  }
  return worst
}

test('a clock that is 50 millionths off is followed all day', () => {
  const delay = (no: number) => 0.02 + 0.05 * ((no * 7) % 10 === 0 ? 0 : 1)
  expect(worstOffS(50, 10, delay)).toBeLessThan(0.05)
  expect(worstOffS(-50, 10, delay)).toBeLessThan(0.05)
})

test('a word that comes late keeps the time at which it was said', () => {
  const clock = clockOffset()
  expect(clock.heard(10, 20)).toBe(20)
  expect(clock.heard(11, 21)).toBe(21)
  expect(clock.heard(12, 24)).toBe(22)
  expect(clock.heard(13, 23)).toBe(23)
})

test('after a pause, or anew, what was known of it counts no more', () => {
  const clock = clockOffset()
  clock.heard(10, 20)
  expect(clock.heard(10_000, 10_010.5)).toBe(10_010.5)
  clock.forget()
  expect(clock.heard(0, 7)).toBe(7)
})
