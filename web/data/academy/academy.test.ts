import { useAcademy } from './academy.ts'
import { useDoor } from '../door/door.ts'
import {
  IDA,
  ODALYS,
  type Said,
  doorsWith,
  freshDevice,
  freshPage,
  refusal,
  sessionOf,
  settled,
  todayOf,
} from '../../testing/device.ts'
import { askTodayAhead } from '../queries/todayAhead.ts'

async function deviceOf(personId: string) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(personId), personId),
    'GET /today': () => ({ body: todayOf('Ostrel') }),
  })
  return { ...device, door: useDoor(), academy: useAcademy() }
}

test('what was asked ahead is taken, and not asked again', async () => {
  const { asked, door, academy } = await deviceOf(ODALYS)
  askTodayAhead()
  await door.load()
  await settled()
  expect([academy.state, academy.today?.academy.town]).toEqual(['here', 'Ostrel'])
  expect(asked.filter((what) => what === 'GET /today')).toHaveLength(1)
})

test('what was asked before the app was there is taken, once', async () => {
  const { asked, door, academy } = await deviceOf(ODALYS)
  const answer = Promise.resolve(Response.json(todayOf('Ostrel Quay')))
  globalThis.todayAhead = { answer, askedAtMs: Date.now() }
  askTodayAhead()
  await door.load()
  await settled()
  expect([academy.state, academy.today?.academy.town]).toEqual(['here', 'Ostrel Quay'])
  expect(asked).not.toContain('GET /today')
  expect(globalThis.todayAhead).toBeUndefined()
})

test('what was refused to whoever was here before is asked anew for whoever came in', async () => {
  const { says, door, academy } = await deviceOf(ODALYS)
  says['GET /today'] = () => refusal('not-signed-in', 401)
  askTodayAhead()
  await settled()
  says['GET /today'] = () => ({ body: todayOf('Ostrel') })
  await door.load()
  await settled()
  expect(academy.state).toBe('here')
})

test('without network it is as it was last told to the same person, and to nobody else', async () => {
  const { says, door } = await deviceOf(ODALYS)
  await door.load()
  await settled()
  freshPage()
  says['GET /today'] = () => 'nothing'
  await useDoor().load()
  const again = useAcademy()
  await settled()
  expect([again.state, again.today?.academy.town]).toEqual(['remembered', 'Ostrel'])
  useDoor().session = sessionOf(IDA)
  await settled()
  expect([again.state, again.today]).toEqual(['unreachable', null])
})

test('on a line that hangs what the device knows shows at once, and what is said in the end comes after it', async () => {
  const { says, door, academy } = await deviceOf(ODALYS)
  await door.load()
  await settled()
  expect(academy.today?.academy.town).toBe('Ostrel')
  freshPage()
  let answer: (said: Said) => void = () => undefined
  says['GET /today'] = () => new Promise<Said>((resolve) => (answer = resolve))
  await useDoor().load()
  const again = useAcademy()
  await settled()
  expect([again.state, again.today?.academy.town]).toEqual(['here', 'Ostrel'])
  answer({ body: todayOf('Ostrel Quay') })
  await settled()
  expect(again.today?.academy.town).toBe('Ostrel Quay')
})

test('an answer that comes after its person went is shown to nobody', async () => {
  const { says, door, academy } = await deviceOf(ODALYS)
  says['GET /today'] = () => {
    door.session = null
    return { body: todayOf('Elsewhere') }
  }
  await door.load()
  await settled()
  expect([academy.state, academy.today]).toEqual(['loading', null])
})
