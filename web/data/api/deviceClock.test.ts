import { clockAheadS, compareClocks } from './deviceClock.ts'

const answered = (date: string | null) => ({ headers: new Headers(date === null ? {} : { Date: date }) })
const at = (time: string) => new Date(`2026-11-27T${time}Z`)
const SERVER = 'Fri, 27 Nov 2026 10:00:00 GMT'

test.each([
  ['10:00:30', 0],
  ['09:58:30', 0],
  ['10:14:00', 840],
  ['09:30:00', -1800],
])('at %s by its own clock a device is told that it is off by %d s', (time, off) => {
  compareClocks(answered(SERVER), at(time))
  expect(clockAheadS.value).toBe(off)
})

test('an answer without a date tells nothing', () => {
  compareClocks(answered(SERVER), at('10:14:00'))
  compareClocks(answered(null), at('10:00:00'))
  expect(clockAheadS.value).toBe(840)
})
