import type { Recipe } from '@calm-apron/core'
import { PUMP_RECIPE } from '@calm-apron/core/testing'

/** What everything is evaluated by: the example recipe, its first drop where the bench has it. */
export const RECIPE: Recipe = { ...PUMP_RECIPE, firstDropMinS: 4.5, firstDropMaxS: 9 }
