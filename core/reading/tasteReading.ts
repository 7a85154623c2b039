import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { measure } from './measure.ts'
import type { Standing, TasteReading } from './types.ts'

/** Balance is bitter − sour. A balanced cup that isn't sweet enough is near, not on; sour and bitter both strong is off. */
export function readTaste(taste: ShotFacts['taste'], recipe: Recipe): TasteReading {
  const { sour, sweet, bitter, dryness } = taste
  if (sour === null || bitter === null) return { judged: false, why: 'not-tasted' }
  const balance = measure(bitter - sour, 0, recipe.tasteTolerance)
  const sweetEnough = sweet === null ? null : sweet >= recipe.sweetMin
  const drying = dryness !== null && dryness >= THRESHOLDS.drying
  const bothStrong = Math.min(sour, bitter) >= THRESHOLDS.bothStrong
  const standing = tasteStanding(balance.standing, { sweetEnough, drying, bothStrong })
  return { ...balance, standing, sweetEnough, drying, bothStrong }
}

function tasteStanding(
  balance: Standing,
  cup: { sweetEnough: boolean | null; drying: boolean; bothStrong: boolean },
): Standing {
  if (cup.bothStrong) return 'off'
  return balance === 'on' && (cup.sweetEnough === false || cup.drying) ? 'near' : balance
}
