import {
  type BarStep,
  FACTS,
  FACT_BOUNDS,
  type FactPart,
  type FactRow,
  type FactRows,
  type Unit,
  type UnitChoice,
} from '@calm-apron/core'

type AmountRow = Extract<FactRow, { kind: 'amount' }>
type TypedIn<T> = {
  [N in keyof T]: T[N] extends { kind: 'amount'; place: 'first' | 'more' | 'own' } ? N : never
}[keyof T]

/** What is typed as a number into facts that have a shape of their own. */
const SHAPED_AMOUNTS = {
  secondCupG: { kind: 'amount', unit: 'mass', bounds: FACT_BOUNDS.cupNetG, step: 'cup', place: 'own' },
  doseCount: { kind: 'amount', unit: 'none', bounds: FACT_BOUNDS.doseCount, step: 'dose', place: 'own' },
  predictedS: { kind: 'amount', unit: 's', bounds: FACT_BOUNDS.instantS, step: 'ready', place: 'own' },
} as const satisfies Record<string, AmountRow>

/** What is typed as one number. */
export type TypedFact =
  | { [P in FactPart]: TypedIn<(typeof FACTS)[P]> }[FactPart]
  | keyof typeof SHAPED_AMOUNTS

/** One row of the table of facts, and where it stands there. */
export interface PlacedRow {
  part: FactPart
  name: string
  row: FactRow
}

/** Every row of the table of facts. */
export const FACT_ROWS: readonly PlacedRow[] = Object.entries(FACTS).flatMap(([part, rows]) =>
  Object.entries<FactRow>(rows).map(([name, row]) => ({
    // Object.entries forgets that the keys are parts.
    part: part as FactPart,
    name,
    row,
  })),
)

/** The rows of a part of the table. */
export const rowsOf = (part: FactPart): FactRows => FACTS[part]

/** What is asked at a step, in sight or folded. */
export function rowsAt(step: BarStep, place: FactRow['place']): PlacedRow[] {
  return FACT_ROWS.filter(({ row }) => row.step === step && row.place === place)
}

/** What is typed as one number, by name. */
export const TYPED_ROWS: ReadonlyMap<string, AmountRow> = new Map<string, AmountRow>([
  ...FACT_ROWS.flatMap(({ name, row }): [string, AmountRow][] =>
    row.kind === 'amount' && row.place !== 'device' ? [[name, row]] : [],
  ),
  ...Object.entries(SHAPED_AMOUNTS),
])

/** The unit that a number is typed in, of those that were chosen; null where it has none. */
export function typedUnit(row: AmountRow, units: UnitChoice): Unit | 's' | null {
  if (row.unit === 's') return 's'
  return row.unit === 'none' ? null : units[row.unit]
}
