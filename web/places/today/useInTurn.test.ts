import type { SessionState } from '@calm-apron/contract'
import {
  ODALYS,
  type Said,
  TestLine,
  doorsWith,
  freshDevice,
  sessionOf,
  settled,
} from '../../testing/device.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useDoor } from '../../data/door/door.ts'
import { useFreshness } from '../../data/queries/useFreshness.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { useInTurn } from './useInTurn.ts'

const trainee: SessionState = {
  ...sessionOf(ODALYS),
  person: { personId: ODALYS, displayName: 'Odalys', role: 'trainee' },
}
const skillAsOf = (asOf: string): Said => ({
  body: { personId: ODALYS, asOf, isBehind: false, families: [], beside: null, takeHome: null },
})
const FIRST = '2026-11-23T10:00:00.000Z'
const SINCE = '2026-11-23T10:01:00.000Z'
const nothing = new Promise<Said>(() => undefined)

/** Today of whoever learns, at a server that says so of them and of the trainings. */
async function todayAt(skill: () => Said | Promise<Said>, trainings: () => Said | Promise<Said>) {
  return freshDevice({
    'GET /doors': () => doorsWith(trainee, ODALYS),
    [`GET /people/${ODALYS}/skill`]: skill,
    'GET /trainings': trainings,
    'GET /assessments': () => ({ body: { assessments: [] } }),
  })
}

test('each part waits for those above it, and whoever learns is told further down what was told first', async () => {
  let told = skillAsOf(FIRST)
  const { asked } = await todayAt(
    () => told,
    () => ({ body: { trainings: [] } }),
  )
  const { result, end } = await inSetup(() => (useFreshness(), useInTurn()))
  await useDoor().load()
  await settled()
  expect([result.hasTrainings.value, result.hasOwn.value]).toEqual([true, false])
  result.stands.own = true
  expect(result.hasOwn.value).toBe(true)
  // What was begun on this device stands above what needs care.
  useDrafts().isRead = false
  expect(result.hasWaiting.value).toBe(false)
  await useDrafts().reload()
  expect(result.hasWaiting.value).toBe(true)
  expect(result.ownSkill.value?.asOf).toBe(FIRST)
  told = skillAsOf(SINCE)
  TestLine.all.at(-1)?.say({ kind: 'skill', personId: ODALYS })
  // The spread over the tablets takes a moment.
  while (asked.filter((what) => what.endsWith('/skill')).length < 2) await settled()
  await settled()
  expect(result.ownSkill.value?.asOf).toBe(FIRST)
  window.dispatchEvent(new Event('visibilitychange'))
  expect(result.ownSkill.value?.asOf).toBe(SINCE)
  end()
})

test('on a line that hangs nothing is held up for long, and what comes late pushes nothing down', async () => {
  let tell: (said: Said) => void = () => undefined
  const late = new Promise<Said>((resolve) => (tell = resolve))
  await todayAt(
    () => late,
    () => nothing,
  )
  const { result, end } = await inSetup(() => useInTurn())
  await useDoor().load()
  while (!(result.hasTrainings.value && result.hasOwn.value && result.hasWaiting.value)) await settled()
  tell(skillAsOf(FIRST))
  await settled()
  expect(result.ownSkill.value).toBeNull()
  end()
})
