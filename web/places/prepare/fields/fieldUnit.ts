import type { Quantity } from '@calm-apron/core'

/** In what a number is told: a quantity whose unit one may choose, a fixed unit, or nothing. */
export type FieldUnit = { quantity: Quantity } | { word: string } | null

const QUANTITY_OF_ENDING: readonly [RegExp, Quantity][] = [
  [/^(bagG|leftG)$/, 'stock'],
  [/[lL]itres$/, 'water'],
  [/Ml$/, 'volume'],
  [/(G|grams)$/, 'mass'],
  [/C$/, 'temperature'],
  [/N$/, 'force'],
]
const WORD_OF_ENDING: readonly [RegExp, string][] = [
  [/PerMl(Sd)?$/, 'gPerMl'],
  [/(S|seconds)$/, 's'],
  [/Days$/, 'days'],
  [/Minutes$/, 'minutes'],
  [/Mm$/, 'mm'],
  [/Bar$/, 'bar'],
  [/Dh$/, 'dh'],
  [/PerLitre$/, 'mgPerLitre'],
]

/** The unit of a field, which its name ends in. */
export function unitOf(name: string): FieldUnit {
  const word = WORD_OF_ENDING.find(([ending]) => ending.test(name))?.[1]
  if (word) return { word }
  const quantity = QUANTITY_OF_ENDING.find(([ending]) => ending.test(name))?.[1]
  return quantity ? { quantity } : null
}
