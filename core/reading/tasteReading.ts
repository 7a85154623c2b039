import type { Recipe, TasteTargets } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { measure } from './measure.ts'
import type { Standing, TasteReading } from './types.ts'

/**
 * Balance is bitter − sour, against the recipe's own taste where it has one, else against 0. A balanced cup that isn't
 * sweet enough is near, not on; sour and bitter both strong is off; a sweet cup that is no more than bright is on.
 */
export function readTaste(taste: ShotFacts['taste'], recipe: Recipe): TasteReading {
  const { sour, sweet, bitter, dryness } = taste
  if (sour === null || bitter === null) return { judged: false, why: 'not-tasted' }
  const targets = recipe.taste ?? null
  const balance = measure(
    bitter - sour,
    targets === null ? 0 : targets.bitter - targets.sour,
    recipe.tasteTolerance,
  )
  const sweetEnough = sweet === null ? null : sweet >= sweetFrom(recipe, targets)
  const isBright =
    targets === null &&
    sweetEnough === true &&
    balance.deviation < -recipe.tasteTolerance &&
    sour < THRESHOLDS.brightUnder
  const drying = dryness !== null && dryness >= THRESHOLDS.drying
  const bothStrong = Math.min(sour, bitter) >= THRESHOLDS.bothStrong
  const standing = tasteStanding(isBright ? 'on' : balance.standing, { sweetEnough, drying, bothStrong })
  return { ...balance, standing, sweetEnough, drying, bothStrong, isBright }
}

function sweetFrom({ sweetMin, tasteTolerance }: Recipe, targets: TasteTargets | null): number {
  return targets === null ? sweetMin : Math.min(sweetMin, targets.sweet - tasteTolerance)
}

function tasteStanding(
  balance: Standing,
  cup: { sweetEnough: boolean | null; drying: boolean; bothStrong: boolean },
): Standing {
  if (cup.bothStrong) return 'off'
  return balance === 'on' && (cup.sweetEnough === false || cup.drying) ? 'near' : balance
}
