import { computed } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useTrainings } from '../../shot/training/trainings.ts'

/** A setting at which another training that is on keeps the same grinder, and what it is for. */
export interface OtherLock {
  trainingId: string
  setting: number
  what: string
}

/** Two recipes on one grinder: moving it for one breaks what was locked for the other. */
export function useOtherLocks(trainingId: () => string) {
  const academy = useAcademy()
  const trainings = useTrainings()

  return computed<OtherLock[]>(() => {
    const own = trainings.stateOf(trainingId())?.setup ?? null
    if (own === null || own.grinderId === null) return []
    return trainings.open.flatMap(({ trainingId: otherId, state: { lock } }): OtherLock[] => {
      if (otherId === trainingId() || lock === null || lock.grinderId !== own.grinderId) return []
      if (lock.recipeRevisionId === own.recipeRevisionId && lock.bagId === own.bagId) return []
      const recipe = academy.recipe(lock.recipeRevisionId)?.name ?? ''
      const coffee = academy.coffeeOfBag(lock.bagId)?.name ?? ''
      return [
        { trainingId: otherId, setting: lock.setting, what: [recipe, coffee].filter(Boolean).join(', ') },
      ]
    })
  })
}
