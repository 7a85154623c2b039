import { nextTick } from 'vue'
import { useDoor } from '../door/door.ts'
import { useLiveLine } from './liveLine.ts'
import { ODALYS, TestLine, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'

afterEach(() => jest.useRealTimers())

test('a line on which nothing is said any more, not even that it stands, is opened anew', async () => {
  TestLine.all.length = 0
  await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS) })
  const line = useLiveLine()
  jest.useFakeTimers()
  useDoor().session = sessionOf(ODALYS)
  await nextTick()
  const [first] = TestLine.all
  first?.onopen()
  expect(line.isLive).toBe(true)
  for (let no = 0; no < 4; no += 1) {
    jest.advanceTimersByTime(15_000)
    first?.stillHere()
  }
  expect([TestLine.all.length, line.isLive]).toEqual([1, true])
  jest.advanceTimersByTime(41_000)
  expect([TestLine.all.length, line.isLive, first?.readyState]).toEqual([2, false, 2])
  jest.useRealTimers()
  await settled()
})
