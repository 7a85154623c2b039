import type { MachineKnown } from '../reading/context.ts'
import type { Readings } from '../reading/types.ts'
import { isPulled } from '../shot/facts.ts'
import { isHeldBack } from '../shot/firstDrop.ts'
import type { PressureCaution } from './types.ts'

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
  const mayHold =
    flow.state === 'choking' ||
    facts.abandoned === 'choked' ||
    facts.clock?.firstDrop === 'none' ||
    (flow.state !== 'on' && isHeldBack(facts.clock?.firstDropS ?? 0, recipe)) ||
    context.signs['drips-only'] === true
  return pressureCaution({ mayHold, isPulled: isPulled(facts) }, context.machine)
}
