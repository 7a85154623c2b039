import { assessmentState } from '@calm-apron/core'
import { computed } from 'vue'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { assessmentEventsOver } from '../../data/queries/laidOver.ts'
import { assessmentAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useTimeOfDay } from '../../kit/useTimeOfDay.ts'

/** One assessment as the server told it, and how it stands with what happened here since. */
export function useAssessment(assessmentId: () => string) {
  const outbox = useOutbox()
  const now = useTimeOfDay(60_000)
  const answer = useAnswer(() => assessmentAsked(assessmentId()))
  const told = computed(() => answer.value.value ?? null)
  const events = computed(() =>
    assessmentEventsOver(told.value?.events ?? [], assessmentId(), outbox.since(answer.askedAtMs.value)),
  )
  const state = computed(() => assessmentState(events.value, now.value))
  return { answer, told, events, state, now }
}
