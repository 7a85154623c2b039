import type { Recipe } from '../recipe/recipe.ts'
import type { ShotFacts } from '../shot/facts.ts'
import type { Tilt } from '../shot/seen.ts'
import { measure } from './measure.ts'
import { type Measured, STANDINGS, type Standing, type TampReading } from './types.ts'

const TILT_STANDING: Record<Tilt, Standing> = { level: 'on', slight: 'near', clear: 'off' }

/**
 * Level and settled beat strong: a clear tilt or a bed that still gives is off, a slight tilt is near. A force counts
 * only in a house that sets one.
 */
export function readTamp({ tamp, measured }: ShotFacts, recipe: Recipe): TampReading {
  const { tilt, lowSide, settled } = tamp
  const force = readForce(measured?.tampForceN ?? null, recipe)
  if (tilt === null && settled === null && force === null) return { judged: false, why: 'not-seen' }
  const seen = settled === false ? 'off' : TILT_STANDING[tilt ?? 'level']
  const standing = force === null ? seen : worse(seen, force.standing)
  return { judged: true, standing, tilt, lowSide, settled, force }
}

function readForce(forceN: number | null, { school }: Recipe): Measured | null {
  const wanted = school?.tampForce ?? null
  return forceN === null || wanted === null ? null : measure(forceN, wanted.targetN, wanted.toleranceN)
}

function worse(a: Standing, b: Standing): Standing {
  return STANDINGS.indexOf(a) > STANDINGS.indexOf(b) ? a : b
}
