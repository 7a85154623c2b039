import type { RoutineStep, TodayRoutine } from '@calm-apron/contract'
import { type TrainingSetup, pulledAt } from '@calm-apron/core'

/**
 * The steps by which somebody's shot in a training is watched: of their seat's own routine, else of everyone's. A house's
 * own steps have no name by which others' watching could be compared.
 */
export function watchedSteps(
  routines: readonly TodayRoutine[],
  setup: TrainingSetup | null,
  watchedId: string | null,
): RoutineStep[] {
  if (setup === null) return []
  const { routineId } = pulledAt(setup, setup.seats.find(({ personId }) => personId === watchedId) ?? {})
  const routine = routines.find((each) => each.routineId === routineId)
  return routine?.steps.filter(({ key }) => key !== null) ?? []
}
