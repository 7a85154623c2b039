import type { Write } from '../device/deviceDatabase.ts'
import { useDoor } from './door.ts'
import {
  IDA,
  ODALYS,
  type Said,
  doorsWith,
  freshDevice,
  freshPage,
  sessionOf,
  settled,
  shotBy,
} from '../../testing/device.ts'

const maySend = (door: ReturnType<typeof useDoor>, author: string) =>
  door.maySend({ kind: 'shot', shotId: 's', body: shotBy(author), author })

test('whoever is here, and whom the device knows, may be sent for; nobody while the tablet is in a trainee’s hands', async () => {
  await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS, IDA) })
  const door = useDoor()
  await door.load()
  expect([door.state, maySend(door, ODALYS), maySend(door, IDA)]).toEqual(['open', true, true])
  door.session = { ...sessionOf(ODALYS), handedOver: { personId: IDA, shotId: ODALYS } }
  expect([door.part, maySend(door, ODALYS)]).toEqual(['handed', false])
})

test('what leads a training is sent by those who teach, and a ruling by whoever made it', async () => {
  await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS, IDA) })
  const door = useDoor()
  await door.load()
  const at = '2026-11-23T10:00:00Z'
  const slip = { filledBy: ODALYS, basedOnNo: 0, reason: null, tastedAt: at, taste: null }
  const call = {
    calledBy: ODALYS,
    stage: 'final',
    verdict: null,
    cause: null,
    move: null,
    calledAt: at,
  } as const
  const ruling = {
    ruledBy: ODALYS,
    verdict: 'over',
    cause: null,
    move: null,
    reason: 'a test',
    ruledAt: at,
  } as const
  const taste = { sour: 3, sweet: 6, bitter: 3, body: null, dryness: null }
  const writes: Write[] = [
    {
      kind: 'training-event',
      trainingId: 't',
      eventId: 'e',
      body: { by: ODALYS, at, happening: { kind: 'break-began' } },
    },
    { kind: 'slip', shotId: 's', slipId: 'a', body: { ...slip, side: 'trainer', taste } },
    { kind: 'slip', shotId: 's', slipId: 'b', body: { ...slip, side: 'trainee' } },
    { kind: 'call', shotId: 's', callId: 'c', body: call },
    { kind: 'slip', shotId: 's', slipId: 'd', body: { ...slip, side: 'trainee', taste } },
    { kind: 'ruling', shotId: 's', rulingId: 'r', body: ruling },
  ]
  const may = (author: string) => writes.map((write) => door.maySend({ ...write, author }))
  expect([may(ODALYS), may(IDA)]).toEqual([
    [true, true, true, true, true, true],
    [true, true, true, true, true, false],
  ])
  const trainee = sessionOf(IDA)
  door.session = { ...trainee, person: { ...trainee.person, role: 'trainee' } }
  expect(may(ODALYS)).toEqual([false, false, false, false, true, false])
})

test('of whom the device knew before somebody came in, nothing is sent until the server says it anew', async () => {
  const device = await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(IDA), IDA) })
  const door = useDoor()
  await door.load()
  let answer = (): void => undefined
  const late = new Promise<void>((resolve) => (answer = resolve))
  device.says['GET /doors'] = async () => {
    await late
    return doorsWith(sessionOf(ODALYS), ODALYS)
  }
  const comingIn = door.comeIn(sessionOf(ODALYS))
  expect([door.personId, maySend(door, IDA)]).toEqual([ODALYS, false])
  answer()
  await comingIn
  expect([maySend(door, ODALYS), maySend(door, IDA)]).toEqual([true, false])
})

test('without network the device stays open as its last person; one where nobody was does not', async () => {
  const device = await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS) })
  await useDoor().load()
  device.says['GET /doors'] = () => 'nothing'
  freshPage()
  const again = useDoor()
  await again.load()
  expect([again.state, again.personId]).toEqual(['remembered', ODALYS])

  await device.database.clear('door')
  freshPage()
  const nobody = useDoor()
  await nobody.load()
  expect([nobody.state, nobody.personId]).toEqual(['unreachable', ''])
})

test('without network somebody else goes on, and is who records are made by, until they are checked', async () => {
  await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS, IDA) })
  const door = useDoor()
  await door.load()
  await door.claim(IDA)
  expect([door.personId, door.session?.person.personId]).toEqual([IDA, ODALYS])
  await door.claim(ODALYS)
  expect([door.claimed, door.personId]).toEqual([null, ODALYS])
})

test('signed out is signed out at once, however late the server says which ways in there are', async () => {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'DELETE /session': () => ({ body: {} }),
  })
  const door = useDoor()
  await door.load()
  device.says['GET /doors'] = () => new Promise(() => undefined)
  await door.signOut('here')
  expect([door.state, door.session, await device.database.get('door', 'last')]).toEqual([
    'closed',
    null,
    undefined,
  ])
})

test('that a session has ended is said, and that nobody was here is not', async () => {
  const device = await freshDevice({ 'GET /doors': () => doorsWith(null) })
  const door = useDoor()
  await door.load()
  expect([door.state, door.wasEnded]).toEqual(['closed', false])
  await door.comeIn(sessionOf(ODALYS))
  device.says['GET /doors'] = () => doorsWith(sessionOf(ODALYS), ODALYS)
  await door.load()
  device.says['GET /doors'] = () => doorsWith(null, ODALYS)
  await door.load()
  await settled()
  expect([door.state, door.wasEnded]).toEqual(['closed', true])
})

test('on a line that hangs the device opens as its last person, and as whoever the server says in the end', async () => {
  const { says } = await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS) })
  await useDoor().load()
  freshPage()
  let answer: (said: Said) => void = () => undefined
  says['GET /doors'] = () => new Promise<Said>((resolve) => (answer = resolve))
  const door = useDoor()
  const isLoaded = door.load()
  while (door.state === 'looking') await settled()
  expect([door.state, door.session?.person.personId]).toEqual(['remembered', ODALYS])
  answer(doorsWith(null))
  await isLoaded
  expect([door.state, door.session, door.wasEnded]).toEqual(['closed', null, true])
})

/** A fresh page that has waited so long for the doors that it opens as its last person. */
async function impatient(says: Record<string, () => Said | Promise<Said>>) {
  let answer: (said: Said) => void = () => undefined
  says['GET /doors'] = () => new Promise<Said>((resolve) => (answer = resolve))
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask', 'performance'] })
  freshPage()
  const door = useDoor()
  const isLoaded = door.load()
  const passes = () => {
    jest.advanceTimersByTime(1000)
    jest.useRealTimers()
  }
  await settled()
  return { door, isLoaded, passes, answer: (said: Said) => answer(said) }
}
const turnsOf = async (count: number) => {
  for (let turn = 0; turn < count; turn += 1) await new Promise(setImmediate)
}

test('what the server says while the device opens as its last person holds, whenever it says it', async () => {
  const { says } = await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS) })
  await useDoor().load()
  for (let turns = 0; turns < 12; turns += 1) {
    const { door, isLoaded, passes, answer } = await impatient(says)
    passes()
    await turnsOf(turns)
    answer(doorsWith(sessionOf(ODALYS), ODALYS))
    await isLoaded
    await turnsOf(12)
    expect([turns, door.state]).toEqual([turns, 'open'])
  }
})

test('whoever comes in while nobody answers is not taken for the last person', async () => {
  const { says } = await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(IDA), IDA) })
  await useDoor().load()
  const { door, passes } = await impatient(says)
  void door.comeIn(sessionOf(ODALYS))
  passes()
  await turnsOf(12)
  expect([door.state, door.session?.person.personId]).toEqual(['remembered', ODALYS])
})

test('what was asked before somebody came in, and is answered after, does not send them out again', async () => {
  const answers: ((said: Said) => void)[] = []
  await freshDevice({ 'GET /doors': () => new Promise<Said>((resolve) => answers.push(resolve)) })
  const door = useDoor()
  const early = door.load()
  await settled()
  const comingIn = door.comeIn(sessionOf(ODALYS))
  await settled()
  answers[0]?.(doorsWith(null))
  await early
  expect([door.session?.person.personId, door.state]).toEqual([ODALYS, 'looking'])
  answers[1]?.(doorsWith(sessionOf(ODALYS), ODALYS))
  await comingIn
  expect([door.session?.person.personId, door.state]).toEqual([ODALYS, 'open'])
})
