import { type ShotFacts, noNotes } from '@calm-apron/core'
import { carefulShot } from '@calm-apron/core/testing'
import { reactive } from 'vue'
import { useDoor } from '../../data/door/door.ts'
import { IDA, ODALYS, type Said, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { DRAFT, RECIPE_REVISION, houseOf, listedShot, shotId } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { useHelp } from './useHelp.ts'

const helped = (isHelped: boolean | null, also: Partial<ShotFacts> = {}): ShotFacts =>
  carefulShot({}, { noted: { ...noNotes(), isHelped }, ...also })

/** A bar at which Ida begins a shot, after the ones that the server lists, oldest first. */
async function afterShots(
  facts: readonly ShotFacts[],
  also: Partial<ShotDraft> = {},
  shots: (() => Said | Promise<Said>) | null = null,
) {
  const listed = facts.map((each, at) => listedShot(at + 10, {}, each)).toReversed()
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    [`GET /shots?personId=${IDA}&limit=30`]:
      shots ?? (() => ({ body: { shots: listed, recipes: [RECIPE_REVISION], nextCursor: null } })),
  })
  const draft = reactive<ShotDraft>({ ...DRAFT, shotId: shotId(1), noted: noNotes(), ...also })
  const { result: help, end } = await inSetup(() => useHelp(draft, () => false))
  await useDoor().load()
  await settled()
  return { help, draft, end }
}

test('help is there for three shots, and not for the fourth; that is a fact of the shot', async () => {
  const third = await afterShots([helped(true), helped(true)])
  expect([third.help.isOn.value, third.draft.noted.isHelped]).toEqual([true, true])
  third.end()
  const fourth = await afterShots([helped(true), helped(true), helped(true)])
  expect([fourth.help.isOn.value, fourth.draft.noted.isHelped]).toEqual([false, false])
  fourth.help.isOn.value = true
  expect(fourth.draft.noted.isHelped).toBe(true)
  fourth.end()
})

test('two cups far off running bring it back; shots of before help was noted say nothing', async () => {
  const far = helped(false, { cup: { by: 'net', netG: 60 } })
  const back = await afterShots([helped(true), helped(true), helped(true), far, far])
  expect(back.draft.noted.isHelped).toBe(true)
  back.end()
  const unknown = await afterShots([helped(null), helped(null), helped(null), helped(null)])
  expect(unknown.draft.noted.isHelped).toBe(true)
  unknown.end()
})

test('a set has none, and where nothing can be heard it is decided when the pump starts', async () => {
  const set = await afterShots([], { purpose: 'assessment' })
  expect(set.draft.noted.isHelped).toBe(false)
  set.end()
  let answer: (said: Said) => void = () => undefined
  const hanging = await afterShots([], {}, () => new Promise<Said>((told) => (answer = told)))
  expect(hanging.draft.noted.isHelped).toBeNull()
  hanging.draft.clock.startedAtMs = 1
  await settled()
  expect(hanging.draft.noted.isHelped).toBe(true)
  answer('nothing')
  await settled()
  hanging.end()
})
