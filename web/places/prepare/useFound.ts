import type { PreparedRecord } from '@calm-apron/contract'
import { type MaybeRefOrGetter, computed, toValue } from 'vue'
import { thingAsked } from '../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'

/** One thing as the server has it now. */
export function useFound(preparedId: MaybeRefOrGetter<string>) {
  const answer = useAnswer(() => thingAsked(toValue(preparedId)))
  const found = computed<PreparedRecord | null>(() => answer.value.value)
  const state = computed(() => {
    if (found.value !== null) return 'here'
    if (answer.state.value === 'refused') return 'gone'
    return answer.state.value === 'away' ? 'offline' : 'looking'
  })
  return { found, state, load: answer.load }
}
