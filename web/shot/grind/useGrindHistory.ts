import { type GrindSeen, dateInZone, daysBetween } from '@calm-apron/core'
import { type ComputedRef, computed } from 'vue'
import { type HistoryWanted, grindHistoryAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useAcademy } from '../../data/academy/academy.ts'

/**
 * What a grinder did of late, as dialling in looks at it: from this device at once, and from the server after it. `seen`
 * is null until either was looked at.
 */
export function useGrindHistory(wanted: () => HistoryWanted | null): {
  seen: ComputedRef<GrindSeen[] | null>
} {
  const academy = useAcademy()
  const answer = useAnswer(() => {
    const asked = wanted()
    return asked === null ? null : grindHistoryAsked(asked)
  })
  const seen = computed<GrindSeen[] | null>(() => {
    if (answer.state.value === 'looking') return null
    const today = dateInZone(new Date(), academy.timeZone)
    return (answer.value.value?.seen ?? []).map(({ pulledOn, ...each }) => ({
      ...each,
      daysAgo: Math.max(0, daysBetween(pulledOn, today)),
    }))
  })
  return { seen }
}
