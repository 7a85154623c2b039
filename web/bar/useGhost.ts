import { type ShotSample, unpackSeries } from '@calm-apron/core'
import { onMounted, shallowRef } from 'vue'
import { useShots } from '../store/shots.ts'
import type { ShotDraft } from './shotDraft.ts'

const LOOKED_THROUGH = 8

/** The weight of the shot before on this grinder, to be drawn faintly behind this one; empty where there is none. */
export function useGhost(draft: ShotDraft) {
  const shots = useShots()
  const ghost = shallowRef<ShotSample[]>([])

  onMounted(async () => {
    if (draft.grinderId === null) return
    const { shots: before } = await shots.page({ grinderId: draft.grinderId }, null, LOOKED_THROUGH)
    const found = before.find(
      ({ shot }) => shot.series?.weight && shot.recipeRevisionId === draft.recipeRevisionId,
    )
    ghost.value = found?.shot.series?.weight ? unpackSeries(found.shot.series.weight) : []
  })

  return ghost
}
