import { type ShotSample, unpackSeries } from '@calm-apron/core'
import { type ComputedRef, computed } from 'vue'
import { useShotList } from '../../data/queries/useShots.ts'
import type { ShotDraft } from '../../shot/draft/shotDraft.ts'

const LOOKED_THROUGH = 8

/** The weight of the shot before on this grinder, to be drawn faintly behind this one; empty where there is none. */
export function useGhost(draft: ShotDraft): ComputedRef<ShotSample[]> {
  const { grinderId } = draft
  const { shots } = useShotList(() => (grinderId === null ? null : { grinderId }), LOOKED_THROUGH)
  return computed(() => {
    const found = shots.value.find(
      ({ shot }) => shot.series?.weight && shot.recipeRevisionId === draft.recipeRevisionId,
    )
    return found?.shot.series?.weight ? unpackSeries(found.shot.series.weight) : []
  })
}
