import { useDoor } from './door.ts'
import { useOutbox } from './outbox.ts'
import { IDA, ODALYS, doorsWith, freshDevice, refusal, sessionOf, settled, shotBy } from './testing/device.ts'

const ID = (last: number) => `019a5c00-0000-700a-8000-${String(last).padStart(12, '0')}`

/** Signed in, with a server that takes no shot yet. */
async function deviceOf(personId: string, ...known: string[]) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(personId), personId, ...known),
    'PUT /shots/*': () => 'nothing',
  })
  const door = useDoor()
  await door.load()
  return { ...device, door, outbox: useOutbox() }
}
const shotsAsked = (asked: readonly string[]) =>
  asked.filter((what) => what.startsWith('PUT /shots/')).map((what) => what.slice(-1))

test('what can’t be sent waits on the device, and goes in order once the line is back', async () => {
  const { asked, says, database, outbox } = await deviceOf(ODALYS)
  for (const last of [1, 2, 3]) await outbox.addShot(ID(last), shotBy(ODALYS))
  await settled()
  expect(outbox.waiting).toHaveLength(3)
  expect(await database.count('outbox')).toBe(3)
  asked.length = 0
  says['PUT /shots/*'] = () => refusal('already-set-up', 409)
  await outbox.send()
  expect(shotsAsked(asked)).toEqual(['1', '2', '3'])
  expect([outbox.waiting.length, outbox.refused.length]).toEqual([0, 3])
})

test('what belongs to somebody who is not here stays, and holds nobody up', async () => {
  const { asked, says, outbox } = await deviceOf(ODALYS)
  await outbox.addShot(ID(1), shotBy(IDA))
  await outbox.addShot(ID(2), shotBy(ODALYS))
  await settled()
  asked.length = 0
  says['PUT /shots/*'] = () => refusal('invalid-input', 422)
  await outbox.send()
  expect(shotsAsked(asked)).toEqual(['2'])
  expect(outbox.waiting.map(({ author }) => author)).toEqual([IDA])
})

test('it goes by itself once the device is told that its author is known here', async () => {
  const { asked, says, door, outbox } = await deviceOf(ODALYS)
  await outbox.addShot(ID(1), shotBy(IDA))
  await settled()
  expect(shotsAsked(asked)).toEqual([])
  says['GET /doors'] = () => doorsWith(sessionOf(ODALYS), ODALYS, IDA)
  await door.load()
  await settled()
  expect(shotsAsked(asked)).toEqual(['1'])
})

test('a device without room says so, keeps it on the page, and sends it all the same', async () => {
  const { asked, says, database, outbox } = await deviceOf(ODALYS)
  const full = () => Promise.reject(new DOMException('full', 'QuotaExceededError'))
  expect(await outbox.keeping(full)).toBe(false)
  expect(outbox.isStorageFull).toBe(true)
  await expect(outbox.keeping(() => Promise.reject(new Error('another')))).rejects.toThrow('another')
  expect(await outbox.keeping(() => Promise.resolve())).toBe(true)
  expect(outbox.isStorageFull).toBe(false)
  says['PUT /shots/*'] = () => refusal('invalid-input', 422)
  await outbox.addShot(ID(4), shotBy(ODALYS))
  await settled()
  expect(shotsAsked(asked)).toEqual(['4'])
  expect(await database.count('outbox')).toBe(1)
})

test('one that was refused is taken off when somebody says so', async () => {
  const { says, database, outbox } = await deviceOf(ODALYS)
  says['PUT /shots/*'] = () => refusal('invalid-input', 422)
  await outbox.addShot(ID(1), shotBy(ODALYS))
  await settled()
  const [refused] = outbox.refused
  expect(refused?.refused?.code).toBe('invalid-input')
  if (refused) await outbox.remove(refused)
  expect([outbox.writes.length, await database.count('outbox')]).toEqual([0, 0])
})
