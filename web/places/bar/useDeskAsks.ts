import { isLookedAt } from '@calm-apron/core'
import { computed } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import { doseAsks, isLineFirst } from '../../shot/dose/doseMethod.ts'
import type { ShotRun } from '../../shot/run/shotRuns.ts'

/** What a desk asks in the words of its house, and how its clock can begin. */
export function useDeskAsks({ draft, recipe, clock, usualDropS }: ShotRun) {
  const academy = useAcademy()
  /** A house that goes by volume, or by the line on its glass, reads its cup before anybody weighs it. */
  const asks = computed(() => {
    if (draft.step === 'cup' && recipe.value?.targets.school.volume) return 'volume'
    if (draft.step === 'cup' && isLineFirst(draft, recipe.value)) return 'cup-line'
    return draft.step === 'dose' ? doseAsks(draft, recipe.value) : draft.step
  })

  /** Where a cup is weighed, and somebody stops the pump, what the scale shows is worth typing. */
  const isWeighed = computed(
    () =>
      recipe.value !== null &&
      recipe.value.targets.school.volume === null &&
      !isLineFirst(draft, recipe.value) &&
      academy.machineKnown(draft.machineId)?.stopsItself === false &&
      isLookedAt(draft.focus, 'yield'),
  )

  const canStartAtDrop = computed(() => recipe.value?.targets.clock === 'drop' && draft.step === 'pull')
  /** Timed from the first drop alone: the pump’s seconds before it are the usual ones, and marked as estimated. */
  function startAtDrop(): void {
    clock.startAtDrop(monotonicNowMs(), usualDropS(), true)
  }

  return { asks, isWeighed, canStartAtDrop, startAtDrop }
}
