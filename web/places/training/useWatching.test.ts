import type { StageOfGroup } from '@calm-apron/contract'
import { ref } from 'vue'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { IDA, ODALYS, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { TEO, TRAINING, shotId } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useWatching } from './useWatching.ts'

const stageOf = (part: Partial<StageOfGroup>): StageOfGroup => ({
  group: 'm:0',
  personId: IDA,
  shotId: shotId(1),
  step: 'dose',
  phase: 'before',
  pumpS: 0,
  weightG: null,
  at: '2026-11-28T10:00:00.000Z',
  ...part,
})

async function watching() {
  await freshDevice({ 'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS) })
  const stage = ref<StageOfGroup | null>(null)
  const { result, end } = await inSetup(() => useWatching(() => TRAINING, stage))
  await useDoor().load()
  await settled()
  return { ...result, stage, end }
}

test('what is watched stays the shot that it began with, though the next one begins at the group', async () => {
  const { seen, stage, watchedId, isRunning, keep, end } = await watching()
  expect(watchedId.value).toBeNull()
  stage.value = stageOf({})
  await settled()
  expect(watchedId.value).toBe(IDA)
  stage.value = stageOf({ phase: 'flowing' })
  await settled()
  expect(isRunning.value).toBe(true)
  seen.value.marks.push({ mark: 'one-side', atS: 12 })
  seen.value.stepsMissed.push('flush')
  stage.value = stageOf({ personId: TEO, shotId: shotId(2), phase: 'flowing' })
  await settled()
  expect([watchedId.value, isRunning.value]).toEqual([IDA, false])
  await keep()
  const [sent] = useOutbox().writes
  expect(sent).toMatchObject({
    kind: 'watch',
    trainingId: TRAINING,
    body: { watchedBy: ODALYS, shotId: shotId(1), marks: [{ mark: 'one-side' }], stepsMissed: ['flush'] },
  })
  end()
})

test('kept, it is forgotten, and the next one may be watched', async () => {
  const { seen, stage, watchedId, keep, end } = await watching()
  stage.value = stageOf({})
  await settled()
  await keep()
  expect(watchedId.value).toBeNull()
  stage.value = stageOf({ personId: TEO, shotId: shotId(2) })
  await settled()
  expect([watchedId.value, seen.value.stepsMissed]).toEqual([TEO, []])
  end()
})
