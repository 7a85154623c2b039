import { readFileSync } from 'node:fs'
import { API_BASE, CONTRACT_HEADER, ENDPOINTS } from '@calm-apron/contract'
import {
  ODALYS,
  TestLine,
  doorsWith,
  freshDevice,
  sessionOf,
  settled,
  todayOf,
} from '../../testing/device.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useAcademy } from '../academy/academy.ts'
import { useDoor } from '../door/door.ts'
import { askTodayAhead } from './todayAhead.ts'
import { useFreshness } from './useFreshness.ts'

test('what runs before the app, and can import nothing, asks for today as the app itself would', () => {
  const asked = readFileSync(new URL('../../public/beforeApp.js', import.meta.url), 'utf8')
  expect(asked).toContain(`fetch('${API_BASE}${ENDPOINTS.today.path}'`)
  expect(asked).toContain(`'${CONTRACT_HEADER}': contract`)
  const page = readFileSync(new URL('../../index.html', import.meta.url), 'utf8')
  expect(page).toContain('<script src="/beforeApp.js" data-contract="%CONTRACT_VERSION%"></script>')
})

test('what happened after today was asked for ahead, and before the line was begun, is not missed', async () => {
  let town = 'before'
  const { asked } = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: todayOf(town) }),
  })
  askTodayAhead()
  await settled()
  town = 'since'
  const { result: academy, end } = await inSetup(() => (useFreshness(), useAcademy()))
  await useDoor().load()
  await settled()
  expect(academy.today?.academy.town).toBe('before')
  TestLine.all.at(-1)?.onopen()
  TestLine.all.at(-1)?.say({ kind: 'here' })
  // The spread over the tablets takes a moment.
  while (academy.today?.academy.town !== 'since') await settled()
  expect(asked.filter((what) => what === 'GET /today')).toHaveLength(2)
  end()
})
