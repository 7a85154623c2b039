import { reactive, ref } from 'vue'
import { useDoor } from '../../data/door/door.ts'
import { ODALYS, type Said, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { DRAFT, TRAINING } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import type { ShotRun } from '../../shot/run/shotRuns.ts'
import { useTellStage } from './useTellStage.ts'

test('on a line that hangs one word is on its way, and after it goes only the newest', async () => {
  let answer: (said: Said) => void = () => undefined
  const { asked } = await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'PUT /trainings/*/stages/bar': () => new Promise<Said>((resolve) => (answer = resolve)),
  })
  const draft = reactive({ ...DRAFT, trainingId: TRAINING })
  // The few parts of a run that are told.
  const run = {
    draft,
    clock: { phase: ref('before'), pumpS: ref(0), isRunning: ref(false) },
    recording: { weightG: ref(null) },
  } as unknown as ShotRun
  const { end } = await inSetup(() => {
    useTellStage(run)
    return run
  })
  await useDoor().load()
  const told = () => asked.filter((what) => what.startsWith('PUT /trainings')).length
  for (const step of ['dose', 'tamp', 'pull'] as const) {
    draft.step = step
    await settled()
  }
  expect(told()).toBe(1)
  answer({ body: {} })
  await settled()
  expect(told()).toBe(2)
  end()
})
