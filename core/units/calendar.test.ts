import { dateInZone } from './calendar.ts'

test.each([
  ['2026-11-23T23:30:00Z', 'Atlantic/Azores', '2026-11-23'],
  ['2026-11-23T00:30:00Z', 'Atlantic/Azores', '2026-11-22'],
  ['2026-11-23T23:30:00Z', 'Asia/Tokyo', '2026-11-24'],
])('%s is in %s the %s', (instant, timeZone, date) => {
  expect(dateInZone(new Date(instant), timeZone)).toBe(date)
})
