import type { CoffeeContent } from '@calm-apron/contract'
import { FRESHNESS_WINDOWS } from '@calm-apron/core'

/** Days a roastery usually takes; the form asks. */
const USUAL_DELIVERY_DAYS = 4

/** A coffee of which nothing is said yet. */
export function newCoffee(): CoffeeContent {
  return {
    name: '',
    roaster: '',
    origin: '',
    process: '',
    roastLevel: null,
    isForEspresso: null,
    bagWords: '',
    bagG: null,
    bagPrice: null,
    deliveryDays: USUAL_DELIVERY_DAYS,
    freshness: { ...FRESHNESS_WINDOWS.usual },
    density: null,
  }
}
