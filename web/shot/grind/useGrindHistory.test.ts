import type { GrindSeenOn } from '@calm-apron/contract'
import { useAcademy } from '../../data/academy/academy.ts'
import { deviceDatabase } from '../../data/device/deviceDatabase.ts'
import { useDoor } from '../../data/door/door.ts'
import { ODALYS, type Said, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { COFFEE, GRINDER, RECIPE, houseOf } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useGrindHistory } from './useGrindHistory.ts'

const seen: GrindSeenOn = {
  pulledOn: '2026-11-20',
  coffeeId: COFFEE,
  basketId: null,
  setting: 14,
  innerBurrAt: null,
  doseG: 18,
  timeS: 28,
  bound: null,
  shiftLn: 0,
  spreadLn: 0,
  isDialIn: true,
}
const PATH = `GET /prepared/${GRINDER}/grind-history?recipeRevisionId=${RECIPE}`
const KEY: [string, string] = [ODALYS, JSON.stringify(['grind-history', GRINDER, RECIPE, ''])]

async function tabletWith(answer: () => Said | Promise<Said>, kept: GrindSeenOn[] | null = null) {
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    [PATH]: answer,
  })
  if (kept !== null)
    await (await deviceDatabase()).put('answers', { answer: { seen: kept }, askedAtMs: 1 }, KEY)
  const { result: history, end } = await inSetup(() =>
    useGrindHistory(() => ({ grinderId: GRINDER, recipeRevisionId: RECIPE })),
  )
  await useDoor().load()
  await useAcademy().load()
  await settled()
  return { history, end }
}

test('what the server tells is kept on the device, and its days count from today', async () => {
  const { history, end } = await tabletWith(() => ({ body: { seen: [seen] } }))
  expect(history.seen.value).toMatchObject([{ setting: 14, timeS: 28 }])
  expect(history.seen.value?.[0]?.daysAgo).toBeGreaterThan(0)
  expect(history.seen.value?.[0]).not.toHaveProperty('pulledOn')
  expect(await (await deviceDatabase()).get('answers', KEY)).toMatchObject({ answer: { seen: [seen] } })
  end()
})

test('while the server does not answer, what the device knows is there at once', async () => {
  const { history, end } = await tabletWith(() => new Promise<Said>(() => undefined), [seen])
  expect(history.seen.value).toMatchObject([{ setting: 14 }])
  end()
})

test('without network and with nothing kept there is no history, and dialling in goes on', async () => {
  const { history, end } = await tabletWith(() => Promise.reject(new TypeError('no network')))
  expect(history.seen.value).toEqual([])
  end()
})
