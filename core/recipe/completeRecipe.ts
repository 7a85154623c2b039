import { brewRatio } from './recipe.ts'

/** Of which two give the third. */
export const AMOUNTS = ['doseG', 'yieldG', 'ratio'] as const
export type Amount = (typeof AMOUNTS)[number]
/** Dose and yield in g and their ratio; null where it is to be worked out. */
export type Amounts = Record<Amount, number | null>

/**
 * Dose, yield and ratio hang together: of the two that were given last the third follows. Nulls and what isn't above 0
 * give nothing to go by, and leave the third as it is.
 * @param lastGiven the amounts in the order they were given, the newest first
 * @example completeAmounts({ doseG: 18, yieldG: null, ratio: 2 }, ['ratio', 'doseG']).yieldG // => 36
 */
export function completeAmounts(amounts: Amounts, lastGiven: readonly Amount[]): Amounts {
  const kept = lastGiven.slice(0, 2)
  const follows = AMOUNTS.find((amount) => !kept.includes(amount))
  if (kept.length < 2 || follows === undefined || !kept.every((amount) => isAbove0(amounts[amount])))
    return amounts
  const [doseG, yieldG, ratio] = [amounts.doseG ?? 0, amounts.yieldG ?? 0, amounts.ratio ?? 0]
  const third: Amounts = { doseG: yieldG / ratio, yieldG: doseG * ratio, ratio: yieldG / doseG }
  return { ...amounts, [follows]: third[follows] }
}

function isAbove0(value: number | null): boolean {
  return value !== null && value > 0 && value < Infinity
}

/** How long a drink is for its dose. */
export const DRINK_LENGTHS = ['ristretto', 'normale', 'lungo'] as const
export type DrinkLength = (typeof DRINK_LENGTHS)[number]

/** Ristretto under 1:1.75, normale to 1:2.75, lungo over. Both masses must be above 0. */
export function drinkLength(doseG: number, yieldG: number): DrinkLength {
  const ratio = brewRatio(doseG, yieldG)
  if (ratio < RATIO_ENDS.ristretto) return 'ristretto'
  return ratio <= RATIO_ENDS.normale ? 'normale' : 'lungo'
}

const RATIO_ENDS = { ristretto: 1.75, normale: 2.75 } as const
