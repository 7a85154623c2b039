import { FACTS } from '../shot/factTable.ts'
import type { FactRow } from '../shot/factKinds.ts'

/**
 * Adds facts that no house notes to the table, and nowhere else: in a process of its own, before anything is made from it.
 * They are for tests of what is made from the table.
 */
export function addToyFacts(): void {
  const toys: Record<string, FactRow> = {
    toyStatic: { kind: 'answer', step: 'dose', place: 'more' },
    toyGlow: { kind: 'choice', of: ['dim', 'bright'], step: 'look', place: 'more' },
    toyHeightMm: { kind: 'amount', unit: 'none', bounds: { min: 0, max: 30 }, step: 'dose', place: 'more' },
  }
  Object.assign(FACTS.noted, toys)
}
