import { useDoor } from '../../data/door/door.ts'
import { IDA, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useCupsTasted } from './cupsTasted.ts'

async function tablet() {
  await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS) })
  const { result: cups, end } = await inSetup(() => useCupsTasted())
  await useDoor().load()
  await settled()
  return { cups, end }
}

test('after ten cups a tongue is asked to rest, each for itself', async () => {
  const { cups, end } = await tablet()
  for (let cup = 0; cup < 9; cup += 1) cups.tasted(IDA, 18)
  expect(cups.restAfter(IDA)).toBeNull()
  cups.tasted(IDA, 18)
  expect([cups.restAfter(IDA), cups.restAfter(ODALYS)]).toEqual([10, null])
  end()
})

test('caffeine is counted for whoever asked for it, while they are here, and for nobody else', async () => {
  const { cups, end } = await tablet()
  cups.tasted(ODALYS, 18)
  cups.tasted(IDA, 18)
  expect(cups.caffeineHere()).toBeNull()
  cups.count('drink')
  expect(cups.caffeineHere()).toBeCloseTo(180)
  cups.count('sip')
  expect(cups.caffeineHere()).toBeCloseTo(27)
  cups.count(null)
  expect([cups.caffeineHere(), cups.wayHere()]).toEqual([null, null])
  end()
})
