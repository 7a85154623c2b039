import { type AsItStood, dateInZone } from '@calm-apron/core'
import type { PreparedContent } from './prepared/prepared.ts'

/** What a shot was pulled with; null for what nobody named, or is not there. */
export interface PulledWith {
  bag: Pick<PreparedContent<'bag'>, 'roastedOn' | 'frozenOn' | 'thawedOn'> | null
  coffee: Pick<PreparedContent<'coffee'>, 'freshness' | 'roastLevel'> | null
  machine: Pick<
    PreparedContent<'machine'>,
    'kind' | 'hasReleaseValve' | 'switchedOnAt' | 'warmUpMinutes'
  > | null
  /** The basket in the group. */
  basket: Pick<PreparedContent<'basket'>, 'nominalG'> | null
  grinder: Pick<PreparedContent<'grinder'>, 'settingStep' | 'finerIs'> | null
}

/**
 * What of it all changes how the shot is read, as it is kept with the shot.
 * @param timeZone of the academy, where the day of the shot is told
 */
export function standsNow(
  { bag, coffee, machine, basket, grinder }: PulledWith,
  { pulledAt, timeZone, isPullerTeaching }: { pulledAt: string; timeZone: string; isPullerTeaching: boolean },
): AsItStood {
  return {
    pulledOn: dateInZone(new Date(pulledAt), timeZone),
    isPullerTeaching,
    coffee:
      bag === null || coffee === null
        ? null
        : {
            roastedOn: bag.roastedOn,
            frozen: bag.frozenOn === null ? null : { frozenOn: bag.frozenOn, thawedOn: bag.thawedOn },
            freshness: coffee.freshness,
            isRoastDark: coffee.roastLevel === null ? null : coffee.roastLevel === 'dark',
          },
    machine:
      machine === null
        ? null
        : {
            isLever: machine.kind === 'lever',
            hasReleaseValve: machine.hasReleaseValve,
            switchedOnAt: machine.switchedOnAt,
            warmUpMinutes: machine.warmUpMinutes,
            basketNominalG: basket?.nominalG ?? null,
          },
    grinder: grinder && { settingStep: grinder.settingStep, finerIs: grinder.finerIs },
  }
}
