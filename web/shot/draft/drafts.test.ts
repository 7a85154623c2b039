import { SHOT_BY_ITSELF } from '@calm-apron/contract'
import { BASE_UNITS } from '@calm-apron/core'
import { useDoor } from '../../data/door/door.ts'
import { IDA, ODALYS, doorsWith, freshDevice, freshPage, sessionOf, settled } from '../../testing/device.ts'
import { RECIPE, SETUP, shotId } from '../../testing/house.ts'
import { useDrafts } from './drafts.ts'
import { draftOf } from './shotDraft.ts'

const BEGUN = draftOf({
  ...SHOT_BY_ITSELF,
  shotId: shotId(7),
  personId: IDA,
  recipeRevisionId: RECIPE,
  barId: SETUP.barId,
  grinderId: null,
  bagId: null,
  madeAt: '2026-11-23T10:00:00Z',
  units: BASE_UNITS,
  correcting: null,
})

test('what was begun is read before it is known who is here, and shown only where it belongs', async () => {
  let here = sessionOf(ODALYS)
  await freshDevice({ 'GET /doors': () => doorsWith(here, ODALYS) })
  await useDoor().load()
  await useDrafts().keep(BEGUN)

  freshPage()
  const drafts = useDrafts()
  await settled()
  expect([drafts.isRead, drafts.drafts]).toEqual([true, []])
  await useDoor().load()
  expect(drafts.drafts.map((draft) => draft.shotId)).toEqual([shotId(7)])
  // Somebody of another academy comes to this device.
  here = { ...here, academy: { ...here.academy, academyId: shotId(9) } }
  await useDoor().load()
  expect(drafts.drafts).toEqual([])
})
