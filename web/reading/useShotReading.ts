import type { ShotDetail } from '@calm-apron/contract'
import { diagnose, readShot } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import { ServerUnreachable } from '../api/client.ts'
import { useAcademy } from '../store/academy.ts'
import { useOutbox } from '../store/outbox.ts'
import { useShots } from '../store/shots.ts'

export type ReadingState = 'looking' | 'here' | 'not-there' | 'unreachable'

/** A recorded shot with its reading worked out anew; follows the outbox, so that it is current once sent. */
export function useShotReading(shotId: () => string) {
  const shots = useShots()
  const outbox = useOutbox()
  const academy = useAcademy()
  const shot = ref<ShotDetail | null>(null)
  const state = ref<ReadingState>('looking')

  async function load(): Promise<void> {
    try {
      shot.value = await shots.find(shotId())
      state.value = shot.value === null ? 'not-there' : 'here'
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
      state.value = 'unreachable'
    }
  }

  watch([shotId, () => outbox.writes, () => academy.state], () => void load(), { immediate: true })

  const readings = computed(() =>
    shot.value === null ? null : readShot(shot.value.current.facts, shot.value.recipe.targets),
  )
  const diagnosis = computed(() => {
    if (shot.value === null || readings.value === null) return null
    return diagnose(readings.value, {
      setting: shot.value.current.facts.grindSetting,
      grinder: academy.grinder(shot.value.grinderId),
    })
  })
  const isUnsent = computed(() => outbox.waiting.some((write) => write.shotId === shotId()))
  return { shot, state, readings, diagnosis, isUnsent }
}
