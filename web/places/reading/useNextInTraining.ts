import type { ShotDetail } from '@calm-apron/contract'
import { useEventListener } from '@vueuse/core'
import { type Ref, computed } from 'vue'
import { isTyping } from '../../kit/isTyping.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { groupKey } from '../../data/devices/groupKey.ts'
import { useTraining } from '../../shot/training/useTraining.ts'

/**
 * Whose turn it is at the group on which a shot was pulled; `n` goes on with them.
 * @param grindText the setting to go on with at this shot's grinder and recipe, where none was locked for them
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
    const its = training.pulledBy(seat.value)
    const isAsThisOne =
      its?.grinderId === shot()?.grinderId && its?.recipeRevisionId === shot()?.recipeRevisionId
    const goesOn = isAsThisOne && its?.lock === null
    await training.begin(seat.value, undefined, goesOn ? { grindText: grindText.value } : {})
  }
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.key !== 'n' || isTyping(event) || event.ctrlKey || event.metaKey || event.altKey) return
    if (inTraining.value) void begin()
  })

  return { inTraining, seat, name, begin }
}
