import { useIntervalFn } from '@vueuse/core'
import { watch } from 'vue'
import { groupKey } from '../../data/devices/groupKey.ts'
import { tellStage } from '../../shot/training/useLive.ts'
import type { ShotRun } from '../../shot/run/shotRuns.ts'

/** While the clock runs the weight is told twice a second; else only what changed. */
const TELL_EVERY_MS = 500

/** Lets the other tablets of a training see what this shot is at. */
export function useTellStage({ draft, clock, recording }: ShotRun): void {
  if (draft.trainingId === null) return
  const trainingId = draft.trainingId
  const group = groupKey(draft.machineId, draft.groupNo)

  let isUnderWay = false
  let isDue = false

  /** One after the other: on a line that hangs only the newest waits. */
  async function tell(): Promise<void> {
    isDue = true
    if (isUnderWay) return
    isUnderWay = true
    while (isDue) {
      isDue = false
      await tellNow()
    }
    isUnderWay = false
  }

  function tellNow(): Promise<void> {
    return tellStage(trainingId, group, {
      personId: draft.personId,
      shotId: draft.shotId,
      step: draft.step,
      phase: clock.phase.value,
      pumpS: Math.min(300, Math.round(clock.pumpS.value * 10) / 10),
      weightG: recording.weightG.value,
      at: new Date().toISOString(),
    })
  }

  watch([() => draft.step, clock.phase], () => void tell(), { immediate: true })
  useIntervalFn(() => {
    if (clock.isRunning.value) void tell()
  }, TELL_EVERY_MS)
}
