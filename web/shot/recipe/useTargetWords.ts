import type { Recipe } from '@calm-apron/core'
import { useFormat } from '../../kit/units/useFormat.ts'

/** What a recipe wants in the cup, as its house measures it: a weight, or a volume with the crema on it. */
export function useTargetWords() {
  const format = useFormat()

  function yieldOf({ yieldG, school }: Pick<Recipe, 'yieldG' | 'school'>): string {
    const volume = school?.volume ?? null
    return volume === null ? format.mass(yieldG) : format.quantity('volume', volume.targetMl)
  }

  return { yieldOf }
}
