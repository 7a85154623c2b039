import type { MachineKnown } from '../reading/context.ts'
import type { Readings } from '../reading/types.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { type ShotClock, type ShotFacts, isPulled } from '../shot/facts.ts'
import { isHeldBack } from '../shot/firstDrop.ts'
import type { PressureCaution } from './types.ts'

/** What of a shot tells whether water may still stand on its puck. */
export interface HeldSigns {
  abandoned: ShotFacts['abandoned']
  firstDrop: ShotClock['firstDrop'] | null
  /** In s from pump start; null where it was not marked. */
  firstDropS: number | null
  /** Whether it only dripped. */
  isDripping: boolean
}

/** Whether water may still stand on the puck: it choked, dripped, or no drop came, or none for long. */
export function mayHoldPressure(
  { abandoned, firstDrop, firstDropS, isDripping }: HeldSigns,
  recipe: Recipe | null,
): boolean {
  const isLate = recipe !== null && isHeldBack(firstDropS, recipe)
  return abandoned === 'choked' || firstDrop === 'none' || isDripping || isLate
}

/**
 * Which caution stands before the portafilter is loosened. A lever's spring presses on whatever the valve does; without
 * a release valve every shot is left under pressure once it was pulled.
 * @param mayHold whether water may still stand on the puck: it choked, dripped, or no drop came
 */
export function pressureCaution(
  { mayHold, isPulled }: { mayHold: boolean; isPulled: boolean },
  machine: MachineKnown | null,
): PressureCaution | null {
  const isHeld = isPulled && machine?.hasReleaseValve === false
  if (!mayHold && !isHeld) return null
  if (machine?.isLever === true) return 'lever'
  return mayHold ? 'choked' : 'no-valve'
}

/**
 * The caution after a shot, from the raw facts: after every choke whatever clock was used and whatever else is unknown,
 * after a pump that ran without a drop or long before the first, and always where no valve lets the pressure out. Errs
 * on the careful side.
 */
export function pressureCautionOf({
  flow,
  of: { facts, recipe, context },
}: Readings): PressureCaution | null {
  const { firstDrop = null, firstDropS = null } = facts.clock ?? {}
  const isDripping = context.signs['drips-only'] === true
  const signs = { abandoned: facts.abandoned, firstDrop, firstDropS, isDripping }
  const mayHold = flow.state === 'choking' || mayHoldPressure(signs, recipe)
  return pressureCaution({ mayHold, isPulled: isPulled(facts) }, context.machine)
}
