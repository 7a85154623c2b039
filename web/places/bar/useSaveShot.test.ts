import { PartNotFetched, useAppFiles } from '../../data/files/appFiles.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useDrafts } from '../../shot/draft/drafts.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { IDA, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { DRAFT, houseOf } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import type { ShotDraft } from '../../shot/draft/shotDraft.ts'
import { type ShotRun, useShotRuns } from '../../shot/run/shotRuns.ts'
import { useSaveShot } from './useSaveShot.ts'

/** A shot under way on a trainer's tablet, whose server takes nothing yet. */
async function underWay(also: Partial<ShotDraft> = {}, leadsTo?: () => Promise<never>) {
  const device = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    'PUT /shots/*': () => 'nothing',
  })
  const { pinia } = await inSetup(() => useDoor())
  await useDoor().load()
  await useAcademy().load()
  await useDrafts().keep({ ...DRAFT, ...also })
  const run = (await useShotRuns().open(DRAFT.shotId)) as ShotRun
  const desk = await inSetup(() => useSaveShot(run), pinia, leadsTo)
  await settled()
  return { ...device, ...desk, ...desk.result, run, outbox: useOutbox(), runs: useShotRuns() }
}

test('a shot is kept on this device, is under way no more, and its reading comes next', async () => {
  const { save, went, outbox, runs, database, end } = await underWay({ note: ' even, for once ' })
  await save()
  expect(outbox.waiting).toMatchObject([
    { kind: 'shot', shotId: DRAFT.shotId, body: { judgedBy: ODALYS, personId: IDA, note: 'even, for once' } },
  ])
  expect([runs.runs.size, await database.count('drafts')]).toEqual([0, 0])
  expect(went()).toBe(`/reading/${DRAFT.shotId}`)
  end()
})

test('where a call is asked for, that comes before the reading', async () => {
  const { save, went, end } = await underWay({ isCallAsked: true })
  await save()
  expect(went()).toBe(`/tasting/${DRAFT.shotId}`)
  end()
})

test('two taps by one wet finger record it once', async () => {
  const { save, outbox, end } = await underWay()
  await Promise.all([save(), save()])
  expect(outbox.waiting).toHaveLength(1)
  end()
})

test('what can’t be read leads to its step; nothing is recorded, and nothing lost', async () => {
  const { save, run, outbox, database, went, end } = await underWay({
    step: 'look',
    texts: { ...DRAFT.texts, grindSetting: 'fourteen' },
  })
  await save()
  expect([run.draft.step, run.draft.texts.grindSetting]).toEqual(['ready', 'fourteen'])
  expect([outbox.writes.length, await database.count('drafts'), went()]).toEqual([0, 1, '/'])
  end()
})

test('a save that failed can be saved again, and what was typed meanwhile is kept', async () => {
  const { save, isSaving, run, outbox, database, end } = await underWay()
  const addAll = outbox.addAll.bind(outbox)
  outbox.addAll = () => Promise.reject(new Error('the device said no'))
  await expect(save()).rejects.toThrow('the device said no')
  expect([isSaving.value, await database.count('drafts')]).toEqual([false, 1])
  run.draft.note = 'again'
  await settled()
  expect(await database.get('drafts', DRAFT.shotId)).toMatchObject({ note: 'again' })
  outbox.addAll = addAll
  await save()
  expect(outbox.waiting).toHaveLength(1)
  end()
})

test('a file that can’t be fetched ends no shot: it is kept, and its reading is awaited', async () => {
  const { save, outbox, end } = await underWay({}, () => Promise.reject(new PartNotFetched('gone')))
  await save()
  expect(outbox.waiting).toHaveLength(1)
  expect(useAppFiles().isAwaited).toBe(true)
  end()
})
