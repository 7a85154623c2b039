import { useAcademy } from './academy.ts'
import { useDoor } from './door.ts'
import {
  IDA,
  ODALYS,
  TestLine,
  doorsWith,
  freshDevice,
  refusal,
  sessionOf,
  todayOf,
} from './testing/device.ts'
import { askTodayAhead, takeTodayAhead } from './todayAhead.ts'

afterEach(() => takeTodayAhead())

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
  await academy.load()
  expect([academy.state, academy.today?.academy.town]).toEqual(['here', 'Ostrel'])
  expect(asked.filter((what) => what === 'GET /today')).toHaveLength(1)
})

test('what was refused to whoever was here before is asked anew for whoever came in', async () => {
  const { says, door, academy } = await deviceOf(ODALYS)
  says['GET /today'] = () => refusal('not-signed-in', 401)
  askTodayAhead()
  await door.load()
  says['GET /today'] = () => ({ body: todayOf('Ostrel') })
  await academy.load()
  expect(academy.state).toBe('here')
})

test('without network it is as it was last told to the same person, and to nobody else', async () => {
  const { says, door, academy } = await deviceOf(ODALYS)
  await door.load()
  await academy.load()
  academy.clear()
  says['GET /today'] = () => 'nothing'
  await academy.load()
  expect([academy.state, academy.today?.academy.town]).toEqual(['remembered', 'Ostrel'])
  academy.clear()
  door.session = sessionOf(IDA)
  await academy.load()
  expect([academy.state, academy.today]).toEqual(['unreachable', null])
  academy.clear()
})

test('an answer that comes after its person went is shown to nobody', async () => {
  const { says, door, academy } = await deviceOf(ODALYS)
  await door.load()
  says['GET /today'] = () => {
    door.session = null
    return { body: todayOf('Elsewhere') }
  }
  await academy.load()
  expect([academy.state, academy.today]).toEqual(['loading', null])
})

test('what changed on another tablet is asked anew, once, and a line that stands for the first time asks nothing', async () => {
  const { asked, door, academy } = await deviceOf(ODALYS)
  await door.load()
  await academy.load()
  const line = TestLine.all.at(-1)
  const times = () => asked.filter((what) => what === 'GET /today').length
  line?.say({ kind: 'here' })
  expect(times()).toBe(1)
  line?.say({ kind: 'prepared', preparedId: IDA })
  line?.say({ kind: 'people' })
  while (times() < 2) await new Promise((resolve) => setTimeout(resolve, 10))
  expect(times()).toBe(2)
})
