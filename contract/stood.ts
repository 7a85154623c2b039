import { type AsItStood, type Focus, type MachineKnown, dateInZone } from '@calm-apron/core'
import { frozenOf } from './prepared/kinds/bag.ts'
import type { PreparedContent, PreparedKind } from './prepared/kinds/kinds.ts'
import type { ShotInput } from './shot.ts'

/** What a shot was pulled with; null for what nobody named, or is not there. */
export interface PulledWith {
  bag: Pick<PreparedContent<'bag'>, 'roastedOn' | 'frozenOn' | 'thawedOn'> | null
  coffee: Pick<PreparedContent<'coffee'>, 'freshness' | 'roastLevel'> | null
  machine: Pick<
    PreparedContent<'machine'>,
    'kind' | 'hasReleaseValve' | 'stopBy' | 'switchedOnAt' | 'warmUpMinutes' | 'setC'
  > | null
  /** The basket in the group. */
  basket: Pick<PreparedContent<'basket'>, 'nominalG'> | null
  basketId: string | null
  /** The basket that the recipe is for. */
  recipesBasketId: string | null
  grinder: Pick<PreparedContent<'grinder'>, 'settingStep' | 'finerIs' | 'innerBurr'> | null
}

/** A thing as it stood at some time. */
export interface ThingThen {
  kind: PreparedKind
  parentId: string | null
  content: PreparedContent
}

type Named = Pick<ShotInput, 'bagId' | 'machineId' | 'groupNo' | 'grinderId'> & {
  recipesBasketId: string | null
}
type Things = ReadonlyMap<string, ThingThen>

/** What a shot was pulled with, among things by their ids. */
export function pulledWith(named: Named, things: Things): PulledWith {
  const { bagId, machineId, grinderId } = named
  const thing = (preparedId: string | null) => things.get(preparedId ?? '')
  const { coffeeId, basketId } = behindNamed(named, things)
  return {
    bag: contentAs('bag', thing(bagId)),
    coffee: contentAs('coffee', thing(coffeeId)),
    machine: contentAs('machine', thing(machineId)),
    basket: contentAs('basket', thing(basketId)),
    basketId,
    recipesBasketId: named.recipesBasketId,
    grinder: contentAs('grinder', thing(grinderId)),
  }
}

/** What the things that a shot names lead on to: the coffee in its bag, the basket in its group. */
function behindNamed(
  { bagId, machineId, groupNo }: Pick<Named, 'bagId' | 'machineId' | 'groupNo'>,
  things: Things,
): { coffeeId: string | null; basketId: string | null } {
  const machine = contentAs('machine', things.get(machineId ?? ''))
  return { coffeeId: things.get(bagId ?? '')?.parentId ?? null, basketId: basketInGroup(machine, groupNo) }
}

/** What of a machine changes what may be said of a shot. */
export function machineKnown({
  kind,
  hasReleaseValve,
  stopBy,
}: Pick<PreparedContent<'machine'>, 'kind' | 'hasReleaseValve' | 'stopBy'>): MachineKnown {
  return { isLever: kind === 'lever', hasReleaseValve, stopsItself: stopBy !== 'hand' }
}

/** The basket in a group of a machine; null where either is not known. */
export function basketInGroup(
  machine: Pick<PreparedContent<'machine'>, 'groups'> | null,
  groupNo: number | null,
): string | null {
  return (groupNo === null ? null : machine?.groups[groupNo]?.basketId) ?? null
}

function contentAs<K extends PreparedKind>(kind: K, thing: ThingThen | undefined): PreparedContent<K> | null {
  // Told apart by its kind just now; the generic can't carry that.
  return thing?.kind === kind ? (thing.content as PreparedContent<K>) : null
}

/** When and by whom, and what was looked at; null where that was all. */
interface PulledWhen {
  pulledAt: string
  timeZone: string
  isPullerTeaching: boolean
  focus: Focus | null
}

/**
 * What of it all changes how the shot is read, as it is kept with the shot.
 * @param timeZone of the academy, where the day of the shot is told
 */
export function standsNow(
  { bag, coffee, machine, basket, basketId, recipesBasketId, grinder }: PulledWith,
  { pulledAt, timeZone, isPullerTeaching, focus }: PulledWhen,
): AsItStood {
  return {
    ...(focus !== null && { focus }),
    pulledOn: dateInZone(new Date(pulledAt), timeZone),
    isPullerTeaching,
    coffee:
      bag === null || coffee === null
        ? null
        : {
            roastedOn: bag.roastedOn,
            frozen: frozenOf(bag),
            freshness: coffee.freshness,
            isRoastDark: coffee.roastLevel === null ? null : coffee.roastLevel === 'dark',
          },
    machine:
      machine === null
        ? null
        : {
            ...machineKnown(machine),
            switchedOnAt: machine.switchedOnAt,
            warmUpMinutes: machine.warmUpMinutes,
            setC: machine.setC,
            basketNominalG: basket?.nominalG ?? null,
            basketId,
            isRecipesBasket:
              basketId === null || recipesBasketId === null ? null : basketId === recipesBasketId,
          },
    grinder: grinder && {
      settingStep: grinder.settingStep,
      finerIs: grinder.finerIs,
      innerBurrAt: grinder.innerBurr?.at ?? null,
    },
  }
}
