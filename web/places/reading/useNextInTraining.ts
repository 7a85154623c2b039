import type { ShotDetail } from '@calm-apron/contract'
import { useEventListener } from '@vueuse/core'
import { type Ref, computed } from 'vue'
import { isTyping } from '../../kit/isTyping.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { groupKey } from '../../data/devices/groupKey.ts'
import { useTraining } from '../../shot/training/useTraining.ts'

/**
 * Whose turn it is at the group on which a shot was pulled; `n` goes on with them.
 * @param grindText the setting to go on with, where none was locked
 */
export function useNextInTraining(shot: () => ShotDetail | null, grindText: Readonly<Ref<string>>) {
  const academy = useAcademy()
  const training = useTraining(() => shot()?.trainingId ?? '')

  const inTraining = computed(() => training.state.value !== null && training.state.value.ended === null)
  const seat = computed(() => {
    const key = groupKey(shot()?.machineId ?? null, shot()?.groupNo ?? null)
    return training.groups.value.find((group) => group.key === key)?.next ?? null
  })
  const name = computed(() => academy.personName(seat.value?.personId ?? ''))

  async function begin(): Promise<void> {
    if (seat.value === null) return
    const isLocked = training.state.value?.lock != null
    await training.begin(seat.value, undefined, isLocked ? {} : { grindText: grindText.value })
  }
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.key !== 'n' || isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
    if (inTraining.value) void begin()
  })

  return { inTraining, seat, name, begin }
}
