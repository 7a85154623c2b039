import type { ShotDetail } from '@calm-apron/contract'
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import { isTyping } from '../bar/useBarKeys.ts'
import { useAcademy } from '../store/academy.ts'
import { groupKey } from '../devices/devices.ts'
import { useTraining } from '../training/useTraining.ts'

/** Whose turn it is at the group on which a shot was pulled; `n` goes on with them. */
export function useNextInTraining(shot: () => ShotDetail | null) {
  const academy = useAcademy()
  const training = useTraining(() => shot()?.trainingId ?? '')

  const inTraining = computed(() => training.state.value !== null && training.state.value.ended === null)
  const seat = computed(() => {
    const key = groupKey(shot()?.machineId ?? null, shot()?.groupNo ?? null)
    return training.groups.value.find((group) => group.key === key)?.next ?? null
  })
  const name = computed(() => academy.personName(seat.value?.personId ?? ''))

  async function begin(): Promise<void> {
    if (seat.value !== null) await training.begin(seat.value)
  }
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.key !== 'n' || isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
    if (inTraining.value) void begin()
  })

  return { inTraining, seat, name, begin }
}
