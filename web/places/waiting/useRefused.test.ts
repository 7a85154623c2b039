import { useDoor } from '../../data/door/door.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { carefulShot } from '@calm-apron/core/testing'
import { ODALYS, doorsWith, freshDevice, refusal, sessionOf, settled, shotBy } from '../../testing/device.ts'
import { RECIPE, RECIPE_REVISION, listedShot, shotId } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useRefused } from './useRefused.ts'

/** A tablet with one shot that the server refused. */
async function withRefused() {
  const stored = listedShot(1)
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /shots/*': () => ({ body: { ...stored, recipe: RECIPE_REVISION, revisions: [stored.current] } }),
    'PUT /shots/*': () => refusal('id-taken', 409),
    'PUT /shots/*/revisions/*': () => 'nothing',
  })
  const setUp = await inSetup(() => useRefused())
  await useDoor().load()
  const outbox = useOutbox()
  const facts = carefulShot({}, { grindSetting: 13 })
  const series = { weight: 'a:0 a:f', pressure: null }
  await outbox.addShot(shotId(1), {
    ...shotBy(ODALYS),
    recipeRevisionId: RECIPE,
    facts,
    series,
    note: 'mine',
  })
  await settled()
  const [refused] = outbox.refused
  if (refused?.kind !== 'shot') throw new Error('Nothing was refused.')
  return { ...device, ...setUp, ...setUp.result, outbox, refused }
}

test('a refused shot opens at the bar again as it was sent, with its curve, and waits no more', async () => {
  const { mend, refused, outbox, database, went, end } = await withRefused()
  await mend(refused)
  expect(await database.get('series', shotId(1))).toEqual({ weight: 'a:0 a:f', pressure: '' })
  expect(await useDrafts().find(shotId(1))).toMatchObject({
    texts: { grindSetting: '13' },
    note: 'mine',
  })
  expect([outbox.writes.length, went()]).toEqual([0, `/shot/${shotId(1)}`])
  end()
})

test('sent as a correction it stands on the newest revision, and the stored one stays', async () => {
  const { sendAsCorrection, refused, outbox, went, end } = await withRefused()
  await sendAsCorrection(refused)
  expect(outbox.writes).toMatchObject([
    { kind: 'correction', shotId: shotId(1), body: { basedOnNo: 1, judgedBy: ODALYS, note: 'mine' } },
  ])
  expect(went()).toBe(`/reading/${shotId(1)}`)
  end()
})
