import type { DeviceDatabase } from '../device/deviceDatabase.ts'
import { useDoor } from '../door/door.ts'
import { useOutbox } from './outbox.ts'
import {
  ACADEMY,
  IDA,
  ODALYS,
  doorsWith,
  freshDevice,
  freshPage,
  refusal,
  sessionOf,
  settled,
  shotBy,
} from '../../testing/device.ts'
import { DRAFT, listedShot as recordedShot, shotId } from '../../testing/house.ts'

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

/** From now on nothing more can be laid down on the device. */
function fill(database: DeviceDatabase) {
  const transaction = database.transaction.bind(database)
  const full = () => {
    throw new DOMException('full', 'QuotaExceededError')
  }
  const isLaying = (stores: unknown, mode?: IDBTransactionMode) =>
    mode === 'readwrite' && Array.isArray(stores) && stores.includes('outbox')
  const [put, add] = [database.put.bind(database), database.add.bind(database)]
  Object.assign(database, {
    put: full,
    add: full,
    transaction: (...args: Parameters<typeof transaction>) =>
      isLaying(args[0], args[1]) ? full() : transaction(...args),
  })
  return () => Object.assign(database, { put, add, transaction })
}

test('a device without room says so, keeps it on the page, and sends it all the same', async () => {
  const { asked, says, database, outbox } = await deviceOf(ODALYS)
  const makeRoom = fill(database)
  says['PUT /shots/*'] = () => 'nothing'
  await outbox.addShot(ID(4), shotBy(ODALYS))
  expect([outbox.isStorageFull, outbox.waiting.length, await database.count('outbox')]).toEqual([true, 1, 0])
  says['PUT /shots/*'] = () => refusal('id-taken', 409)
  await outbox.send()
  expect(shotsAsked(asked)).toContain('4')
  makeRoom()
})

test('a write that is refused on a full device is kept and shown, whoever looks at it anew', async () => {
  const { says, database, outbox } = await deviceOf(ODALYS)
  await outbox.addShot(ID(1), shotBy(ODALYS))
  await settled()
  const makeRoom = fill(database)
  await outbox.addShot(ID(2), shotBy(ODALYS))
  says['PUT /shots/*'] = () => refusal('invalid-input', 422)
  await outbox.send()
  await outbox.send()
  expect(outbox.refused.map((write) => 'shotId' in write && write.shotId)).toEqual([ID(1), ID(2)])
  makeRoom()
})

test('of two sends at once on a full device none loses what the other sent or did not send', async () => {
  const { asked, says, database, outbox } = await deviceOf(ODALYS)
  const makeRoom = fill(database)
  for (const last of [1, 2, 3]) await outbox.addShot(ID(last), shotBy(ODALYS))
  await settled()
  asked.length = 0
  let no = 0
  says['PUT /shots/*'] = () => (++no === 3 ? 'nothing' : refusal('id-taken', 409))
  await Promise.all([outbox.send(), outbox.send(), outbox.send()])
  expect(outbox.writes).toHaveLength(3)
  expect([outbox.refused.length, outbox.waiting.length]).toEqual([2, 1])
  makeRoom()
})

test('shot, pictures, draft and curve move in one step: all of them, or none', async () => {
  const { database, outbox } = await deviceOf(ODALYS)
  await database.put('drafts', { ...DRAFT, shotId: ID(1), academyId: ACADEMY.academyId })
  await database.put('series', { weight: 'a:0', pressure: '' }, ID(1))
  const shot = { kind: 'shot' as const, shotId: ID(1), body: shotBy(ODALYS) }
  const picture = { takenBy: ODALYS, takenAt: '2026-11-26T09:00:00Z', picture: 'data:image/jpeg;base64,AA' }
  const photo = { kind: 'photo' as const, shotId: ID(1), photoId: ID(2), body: picture }
  const makeRoom = fill(database)
  await outbox.addAll([shot, photo], ID(1))
  expect([await database.count('drafts'), await database.count('series')]).toEqual([1, 1])
  expect(outbox.waiting.map(({ kind }) => kind)).toEqual(['shot', 'photo'])
  makeRoom()
  await outbox.send()
  expect([await database.count('drafts'), await database.count('series')]).toEqual([0, 0])
  expect(await database.count('outbox')).toBe(2)
})

test('what was sent is laid over what was asked for before it, and over nothing that was asked for after', async () => {
  const { says, outbox } = await deviceOf(ODALYS)
  const before = Date.now() - 1
  says['PUT /shots/*'] = () => ({ status: 201, body: recordedShot(1) })
  await outbox.addShot(shotId(1), shotBy(ODALYS))
  await settled()
  expect(outbox.writes).toEqual([])
  expect(outbox.since(before).map(({ kind }) => kind)).toEqual(['shot'])
  expect(outbox.since(Date.now() + 1)).toEqual([])
  // So it is after the page was loaded anew.
  freshPage()
  await useDoor().load()
  const again = useOutbox()
  await settled()
  expect(again.since(before).map(({ kind }) => kind)).toEqual(['shot'])
})

test('what was refused colours nothing', async () => {
  const { says, outbox } = await deviceOf(ODALYS)
  says['PUT /shots/*'] = () => refusal('invalid-input', 422)
  await outbox.addShot(ID(1), shotBy(ODALYS))
  await settled()
  expect([outbox.refused.length, outbox.since(0)]).toEqual([1, []])
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
