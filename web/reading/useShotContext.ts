import type { ShotSummary } from '@calm-apron/contract'
import { NO_CONTEXT, type ShotContext, coffeeAge, signsOfMarks } from '@calm-apron/core'
import { useAcademy } from '../store/academy.ts'
import { frozenOf } from '../store/frozenOf.ts'
import { dateInZone } from '../units/calendar.ts'

/** What the academy knows of a shot beside its own facts: how old its coffee was that day, and what was noted of it. */
export function useShotContext() {
  const academy = useAcademy()

  return ({ bagId, pulledAt, grindOwner, current: { facts } }: ShotSummary): ShotContext => {
    const noted = facts.noted
    const context: ShotContext = {
      ...NO_CONTEXT,
      grindOwner,
      doseMethod: noted?.doseMethod ?? NO_CONTEXT.doseMethod,
      signs: { ...noted?.signs, ...signsOfMarks(noted?.marks ?? [], facts.clock) },
    }
    const coffee = academy.coffeeOfBag(bagId)
    const bag = coffee?.bags.find((each) => each.bagId === bagId)
    if (!coffee || !bag || bag.roastedOn === null) return context
    const onDate = dateInZone(new Date(pulledAt), academy.timeZone)
    const { days } = coffeeAge(bag.roastedOn, onDate, coffee.freshness, frozenOf(bag))
    // A bag roasted after the shot was mixed up with another: its age says nothing.
    return { ...context, coffeeAgeDays: days < 0 ? null : days, freshness: coffee.freshness }
  }
}
