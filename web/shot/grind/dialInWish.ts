import type { RecipeRevision, TodayBasket, TodayCoffee, TodayGrinder } from '@calm-apron/contract'
import { type DialInGrinder, type DialInWish, THRESHOLDS, pricePerKg } from '@calm-apron/core'

/**
 * A dose moves by so much to reach between two settings, and by more only in a basket that is known to take it: measured,
 * twice as much saves a third to two thirds of a shot on coarse grinders (docs/judgement.md).
 */
const NUDGE_G = { anyBasket: 0.3, knownBasket: 0.6 } as const

/** A grinder as dialling in sees it. */
export function dialInGrinder(grinder: TodayGrinder): DialInGrinder {
  const { minSetting, maxSetting, settingStep, finerIs, innerBurr, purgeG, touchingAt } = grinder
  return { minSetting, maxSetting, settingStep, finerIs, innerBurr, purgeG, touchingAt, lnTimePerUnit: null }
}

/** What is dialled in: which coffee through which basket, how far the dose may move in it, and what the coffee costs. */
export function dialInWish({
  recipe,
  coffee,
  bagId,
  basket,
}: {
  recipe: RecipeRevision | null
  coffee: TodayCoffee | null
  bagId: string | null
  basket: TodayBasket | null
}): DialInWish {
  const doseG = recipe?.targets.doseG ?? 0
  const { min, max } = roomOf(basket)
  const by = basket === null ? NUDGE_G.anyBasket : NUDGE_G.knownBasket
  return {
    coffeeId: coffee?.coffeeId ?? `bag:${bagId ?? ''}`,
    basketId: basket?.basketId ?? null,
    // Tenths of a gram are moved by whoever weighs them.
    doseRangeG:
      recipe?.method.doseBy === 'scale'
        ? { min: Math.max(doseG - by, min), max: Math.min(doseG + by, max) }
        : null,
    pricePerKg: pricePerKg(coffee?.bagPrice ?? null, coffee?.bagG ?? null),
  }
}

/** Doses that suit a basket; one that nobody named takes what the recipe says. */
function roomOf(basket: TodayBasket | null): { min: number; max: number } {
  if (basket === null) return { min: -Infinity, max: Infinity }
  const { basketToleranceG } = THRESHOLDS
  return { min: basket.nominalG - basketToleranceG, max: basket.nominalG + basketToleranceG }
}
