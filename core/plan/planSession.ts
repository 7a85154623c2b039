import { type CoffeeAge, type FreshnessWindow, coffeeAge } from '../coffee/age.ts'

/** What a session is planned from. Weights in g, times in min, money in the academy's own currency. */
export interface SessionWish {
  trainees: number
  shotsEach: number
  groups: number
  doseG: number
  /** Beans weighed above the target for what spills. */
  surplusG: number
  dialInShots: number
  purges: number
  purgeG: number
  /** Share of beans that goes to waste all the same, 0.1 for 10 %. */
  wasteShare: number
  bagG: number
  bagPrice: number
  /** One shot on one group with cleaning and talk. */
  minutesPerShot: number
  /** A break in the middle; 0 for none. */
  breakMinutes: number
  warmUpMinutes: number
  /** The coffee meant for it: calendar dates `YYYY-MM-DD`, and its window; null where that is not known. */
  coffee: { roastedOn: string; onDate: string; freshness: FreshnessWindow } | null
  /** Milk drinks each trainee makes, and the milk in one. */
  milkDrinksEach: number
  milkMl: number
}

/** One turn at the machine: who (0-based) at which group (0-based), from which minute after the start. */
export interface Turn {
  trainee: number
  group: number
  startMinute: number
}

/** What a session takes: g of beans and milk, bags, money, minutes, and whose turn is when. */
export interface SessionPlan {
  beansG: number
  bags: number
  beansCost: number
  milkMl: number
  turns: Turn[]
  minutes: number
  /** When the break begins; null where there is none. */
  breakStartMinute: number | null
  /** How old the coffee will be, and whether it is right for that; null where that is not known. */
  coffee: CoffeeAge | null
  /** Minutes after the start at which the machine must be switched on; below 0, since it is before. */
  warmUpStartMinute: number
}

/** Usual values where a wish has none of its own. */
export const SESSION_DEFAULTS = { wasteShare: 0.1, minutesPerShot: 4 } as const

/**
 * Beans, bags, cost, milk, minutes and equal turns:
 * beans = (trainees × shots × (dose + surplus) + dial-in × (dose + purge) + purges × purge) × (1 + waste).
 */
export function planSession(wish: SessionWish): SessionPlan {
  const teachingG = wish.trainees * wish.shotsEach * (wish.doseG + wish.surplusG)
  const dialInG = wish.dialInShots * (wish.doseG + wish.purgeG)
  const beansG = (teachingG + dialInG + wish.purges * wish.purgeG) * (1 + wish.wasteShare)
  // A gram's thousandth over a full bag is the arithmetic's, and opens no other.
  const bags = Math.ceil(beansG / wish.bagG - 1e-6)
  const rounds = Math.ceil((wish.trainees * wish.shotsEach) / Math.min(wish.groups, wish.trainees))
  const breakRound = wish.breakMinutes > 0 && rounds > 1 ? Math.ceil(rounds / 2) : null
  const turns = rotation(wish, breakRound)
  const lastStart = turns.at(-1)?.startMinute ?? -wish.minutesPerShot
  return {
    beansG,
    bags,
    beansCost: bags * wish.bagPrice,
    milkMl: wish.trainees * wish.milkDrinksEach * wish.milkMl * (1 + wish.wasteShare),
    turns,
    minutes: lastStart + wish.minutesPerShot,
    breakStartMinute: breakRound === null ? null : breakRound * wish.minutesPerShot,
    warmUpStartMinute: -wish.warmUpMinutes,
    coffee:
      wish.coffee === null
        ? null
        : coffeeAge(wish.coffee.roastedOn, wish.coffee.onDate, wish.coffee.freshness),
  }
}

/** Everyone in turn over the groups, round after round: after each full round all have pulled equally often. */
function rotation(
  { trainees, shotsEach, groups, minutesPerShot, breakMinutes }: SessionWish,
  breakRound: number | null,
): Turn[] {
  const atOnce = Math.min(groups, trainees)
  return Array.from({ length: trainees * shotsEach }, (_, turn) => {
    const round = Math.floor(turn / atOnce)
    const rested = breakRound !== null && round >= breakRound ? breakMinutes : 0
    return {
      trainee: turn % trainees,
      group: turn % atOnce,
      startMinute: round * minutesPerShot + rested,
    }
  })
}
