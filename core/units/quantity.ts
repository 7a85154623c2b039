/**
 * The units people may choose, by quantity. `perBase` and `offset` turn a base value (g, ml, °C, N) into the
 * unit: unit = base × perBase + offset. The first unit of each is the base.
 */
export const UNITS = {
  mass: {
    g: { perBase: 1, offset: 0, decimals: 1 },
    oz: { perBase: 1 / 28.349523125, offset: 0, decimals: 3 },
  },
  volume: {
    ml: { perBase: 1, offset: 0, decimals: 0 },
    floz: { perBase: 1 / 29.5735295625, offset: 0, decimals: 2 },
  },
  temperature: { C: { perBase: 1, offset: 0, decimals: 1 }, F: { perBase: 1.8, offset: 32, decimals: 1 } },
  force: {
    N: { perBase: 1, offset: 0, decimals: 0 },
    kgf: { perBase: 1 / 9.80665, offset: 0, decimals: 1 },
    lbf: { perBase: 1 / 4.4482216152605, offset: 0, decimals: 1 },
  },
} as const

export type Quantity = keyof typeof UNITS
export type UnitOf<Q extends Quantity> = keyof (typeof UNITS)[Q] & string
/** One chosen unit for each quantity. */
export type UnitChoice = { [Q in Quantity]: UnitOf<Q> }

/** g, ml, °C and N: what is stored, and what is shown until someone chooses otherwise. */
export const BASE_UNITS: UnitChoice = { mass: 'g', volume: 'ml', temperature: 'C', force: 'N' }

interface UnitRule {
  perBase: number
  offset: number
  decimals: number
}

/** The conversion of one unit; how many decimals it is shown with. */
export function unitRule<Q extends Quantity>(quantity: Q, unit: UnitOf<Q>): UnitRule {
  // Each quantity's own units are its keys, so the lookup is always there; the table is too narrow to index by Q.
  return (UNITS[quantity] as Record<string, UnitRule>)[unit] as UnitRule
}

/** A base value (g, ml, °C, N) in the chosen unit. */
export function fromBase<Q extends Quantity>(quantity: Q, unit: UnitOf<Q>, base: number): number {
  const rule = unitRule(quantity, unit)
  return base * rule.perBase + rule.offset
}

/**
 * A value typed in the chosen unit as its base value.
 * @example toBase('mass', 'oz', 1) // => 28.349523125
 */
export function toBase<Q extends Quantity>(quantity: Q, unit: UnitOf<Q>, shown: number): number {
  const rule = unitRule(quantity, unit)
  return (shown - rule.offset) / rule.perBase
}
