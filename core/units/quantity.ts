/** The units people may choose for each quantity; the first is the base unit that is stored. */
export const UNITS = {
  mass: ['g', 'oz'],
  volume: ['ml', 'floz'],
  temperature: ['C', 'F'],
  force: ['N', 'kgf', 'lbf'],
  /** Coffee in bags. */
  stock: ['g', 'kg', 'lb'],
  /** Water for a machine. */
  water: ['l', 'gal'],
} as const

export type Quantity = keyof typeof UNITS
export type UnitOf<Q extends Quantity> = (typeof UNITS)[Q][number]
/** A unit of any quantity. */
export type Unit = UnitOf<Quantity>
/** One chosen unit for each quantity. */
export type UnitChoice = { [Q in Quantity]: UnitOf<Q> }

/** g, ml, °C, N and l: what is stored, and what is shown until someone chooses otherwise. */
export const BASE_UNITS: UnitChoice = {
  mass: 'g',
  volume: 'ml',
  temperature: 'C',
  force: 'N',
  stock: 'g',
  water: 'l',
}

/** shown = base × perBase + offset, with so many decimals. */
interface UnitRule {
  perBase: number
  offset: number
  decimals: number
}

const RULES: Record<Unit, UnitRule> = {
  g: { perBase: 1, offset: 0, decimals: 1 },
  oz: { perBase: 1 / 28.349523125, offset: 0, decimals: 3 },
  ml: { perBase: 1, offset: 0, decimals: 0 },
  floz: { perBase: 1 / 29.5735295625, offset: 0, decimals: 2 },
  C: { perBase: 1, offset: 0, decimals: 1 },
  F: { perBase: 1.8, offset: 32, decimals: 1 },
  N: { perBase: 1, offset: 0, decimals: 0 },
  kgf: { perBase: 1 / 9.80665, offset: 0, decimals: 1 },
  kg: { perBase: 1 / 1000, offset: 0, decimals: 2 },
  lb: { perBase: 1 / 453.59237, offset: 0, decimals: 2 },
  l: { perBase: 1, offset: 0, decimals: 1 },
  gal: { perBase: 1 / 3.785411784, offset: 0, decimals: 2 },
  lbf: { perBase: 1 / 4.4482216152605, offset: 0, decimals: 1 },
}

/** With how many decimals a unit is shown. */
export function decimalsOf(unit: Unit): number {
  return RULES[unit].decimals
}

/** A base value (g, ml, °C, N, l) in a unit. */
export function fromBase(unit: Unit, base: number): number {
  return base * RULES[unit].perBase + RULES[unit].offset
}

/**
 * A base value as one would type it in a unit: its usual decimals, a point, no unit.
 * @example asTyped('g', 18.2) // => '18.2'
 */
export function asTyped(unit: Unit, base: number): string {
  return fromBase(unit, base).toFixed(decimalsOf(unit))
}

/** A difference of base values in a unit; it has no offset: 1 °C more is 1.8 °F more. */
export function differenceFromBase(unit: Unit, base: number): number {
  return base * RULES[unit].perBase
}

/**
 * A value typed in a unit as its base value.
 * @example toBase('oz', 1) // => 28.349523125
 */
export function toBase(unit: Unit, shown: number): number {
  return (shown - RULES[unit].offset) / RULES[unit].perBase
}
