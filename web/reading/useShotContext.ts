import type { ShotSummary } from '@calm-apron/contract'
import {
  NO_CONTEXT,
  type ShotContext,
  type Tongue,
  coffeeAge,
  signsOfMarks,
  tastedBy,
} from '@calm-apron/core'
import { useAcademy } from '../store/academy.ts'
import { frozenOf } from '../store/frozenOf.ts'
import { dateInZone } from '../units/calendar.ts'

type Known = Pick<ShotContext, 'coffeeAgeDays' | 'freshness' | 'isRoastDark'>

/**
 * What the academy knows of a shot beside its own facts: its coffee and how old that was that day, its machine, group
 * and basket, whose tongue tasted, and what was noted of it.
 */
export function useShotContext() {
  const academy = useAcademy()

  return (shot: ShotSummary): ShotContext => {
    const { facts } = shot.current
    const { noted } = facts
    return {
      ...NO_CONTEXT,
      ...coffeeKnown(shot),
      ...groupKnown(shot),
      grindOwner: shot.grindOwner,
      doseMethod: noted?.doseMethod ?? NO_CONTEXT.doseMethod,
      signs: { ...noted?.signs, ...signsOfMarks(noted?.marks ?? [], facts.clock) },
      tongue: tongueOf(shot),
    }
  }

  function coffeeKnown({ bagId, pulledAt }: ShotSummary): Partial<Known> {
    const coffee = academy.coffeeOfBag(bagId)
    const bag = coffee?.bags.find((each) => each.bagId === bagId)
    if (!coffee || !bag) return {}
    const { freshness, roastLevel } = coffee
    const isRoastDark = roastLevel === null ? null : roastLevel === 'dark'
    if (bag.roastedOn === null) return { freshness, isRoastDark }
    const onDate = dateInZone(new Date(pulledAt), academy.timeZone)
    const { days } = coffeeAge(bag.roastedOn, onDate, freshness, frozenOf(bag))
    // A bag roasted after the shot was mixed up with another: its age says nothing.
    return { freshness, isRoastDark, coffeeAgeDays: days < 0 ? null : days }
  }

  function groupKnown({
    machineId,
    groupNo,
    pulledAt,
  }: ShotSummary): Pick<ShotContext, 'machine' | 'basketNominalG' | 'warmUp'> {
    const machine = academy.machine(machineId)
    if (machine === null) return { machine: null, basketNominalG: null, warmUp: null }
    const { switchedOnAt, warmUpMinutes } = machine
    const basketId = groupNo === null ? null : machine.groups[groupNo]?.basketId
    const baskets = academy.today?.bars.flatMap((bar) => bar.baskets) ?? []
    const basket = baskets.find((each) => each.basketId === basketId)
    const minutesOn = switchedOnAt === null ? -1 : (Date.parse(pulledAt) - Date.parse(switchedOnAt)) / 60_000
    return {
      machine: academy.machineKnown(machineId),
      basketNominalG: basket?.nominalG ?? null,
      // Switched on after the shot it says nothing of it.
      warmUp: minutesOn < 0 ? null : { minutesOn, minutesNeeded: warmUpMinutes },
    }
  }

  /** A trainer's slip, or a taste that somebody who teaches noted. */
  function tongueOf({ tasted, personId, current: { judgedBy } }: ShotSummary): Tongue {
    const side = tastedBy(tasted)
    if (side === 'trainer') return 'trusted'
    const by = side === 'trainee' ? personId : judgedBy
    // Recorded before people signed in: by whoever taught.
    if (by === null) return 'trusted'
    const role = academy.today?.people.find((each) => each.personId === by)?.role
    return role === 'trainer' || role === 'head' ? 'trusted' : 'learning'
  }
}
