import { type UnitChoice, asTyped, roundG, toBase } from '@calm-apron/core'
import { type EntryIssue, type Filled, readNumber } from './readEntry.ts'
import { TYPED_ROWS, typedUnit } from '../facts/factRows.ts'

/** A base value of a typed fact as it is typed; empty where it is not known. */
export function factText(name: string, value: number | null | undefined, units: UnitChoice): string {
  const row = TYPED_ROWS.get(name)
  if (row === undefined || value == null) return ''
  const unit = typedUnit(row, units)
  // In its base unit a number is shown as it was stored, however fine.
  if (unit === null || unit === 's' || toBase(unit, 1) === 1) return String(value)
  return asTyped(unit, value)
}

export interface TypedFactIssue {
  field: string
  issue: EntryIssue
}

/** The numbers that were typed, in base units; one that can't be read is not known, and has an issue. */
export function readTyped(
  texts: Readonly<Record<string, string>>,
  units: UnitChoice,
  filledWith: (name: string) => number | null | undefined,
): { values: Record<string, number | null>; issues: TypedFactIssue[] } {
  const read = [...TYPED_ROWS].map(([name, row]) => {
    const unit = typedUnit(row, units)
    const inBase = (shown: number) => (unit === null || unit === 's' ? shown : roundG(toBase(unit, shown)))
    const recorded = filledWith(name)
    const filled: Filled | null =
      recorded === undefined ? null : { text: factText(name, recorded, units), value: recorded }
    return { name, ...readNumber(texts[name] ?? '', row.bounds, inBase, filled) }
  })
  return {
    values: Object.fromEntries(read.map(({ name, value, issue }) => [name, issue === null ? value : null])),
    issues: read.flatMap(({ name, issue }) => (issue === null ? [] : [{ field: name, issue }])),
  }
}
