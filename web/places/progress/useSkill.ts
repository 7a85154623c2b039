import { DEFAULT_PROGRAMME, type TraineeSkill, assessSkill } from '@calm-apron/core'
import { type ComputedRef, computed } from 'vue'
import { useShotList } from '../../data/queries/useShots.ts'
import { readListed } from '../../shot/reading/readListed.ts'

/** Older shots weigh next to nothing. */
const SHOTS_WEIGHED = 60

/** A person's skill with the number of shots it rests on; null while there are none. */
export interface ShownSkill {
  skill: TraineeSkill
  shots: number
}

/** A person's skill from their newest shots. */
export function useSkill(personId: () => string): ComputedRef<ShownSkill | null> {
  const { shots } = useShotList(() => (personId() === '' ? null : { personId: personId() }), SHOTS_WEIGHED)
  return computed(() => {
    const oldestFirst = shots.value
      .slice(0, SHOTS_WEIGHED)
      .toReversed()
      .map(({ shot, recipe }) => ({
        readings: readListed({ shot, recipe }),
        context: { ...shot, isReferenceOff: false },
        callScore: null,
      }))
    if (oldestFirst.length === 0) return null
    return { skill: assessSkill(oldestFirst, DEFAULT_PROGRAMME), shots: oldestFirst.length }
  })
}
