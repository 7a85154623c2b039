import { trainingState } from '@calm-apron/core'
import { computed } from 'vue'
import { trainingAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useTrainings } from './trainings.ts'

/** How a training stands, on or over; null while it is not known, or none is named (''). */
export function useTrainingState(trainingId: () => string) {
  const trainings = useTrainings()
  // One that is over is in no list.
  useAnswer(() => (trainingId() === '' ? null : trainingAsked(trainingId())))
  const events = computed(() => trainings.eventsOf(trainingId()))
  const state = computed(() => trainingState(events.value))
  const setup = computed(() => state.value?.setup ?? null)
  return { events, state, setup }
}
