import { asTyped, toBase } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import type { BarDevice } from '../../data/devices/barDevice.ts'
import { numberTyped } from '../draft/readEntry.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'

/** Less than this on the plate is a hand laid on it. */
const PRESS_FROM_N = 15

/** The hardest of a press, as the plate felt it, typed in the unit in which forces are typed; the last press counts. */
export function usePlatePress(draft: () => ShotDraft, device: () => BarDevice | null) {
  const pressing = ref(0)
  watch(
    () => device()?.last.value.plate?.value ?? 0,
    (forceN) => {
      if (forceN >= PRESS_FROM_N) pressing.value = Math.max(pressing.value, forceN)
      else if (pressing.value > 0) {
        draft().texts.tampForceN = asTyped(draft().units.force, pressing.value)
        pressing.value = 0
      }
    },
  )
  const pressedN = computed(() => {
    const typed = numberTyped(draft().texts.tampForceN)
    return typed === null ? null : toBase(draft().units.force, typed)
  })
  const hasPlate = computed(() => device()?.last.value.plate !== undefined)
  return { pressedN, hasPlate }
}
