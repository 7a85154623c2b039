import { type Unit, type UnitChoice, asTyped } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'
import { TYPED_ROWS, typedUnit } from '../facts/factRows.ts'
import type { DraftField } from './readDraft.ts'
import type { EntryIssue } from './readEntry.ts'

/** The unit in which a field is typed; null where it has none. */
export function unitAt(field: DraftField, units: UnitChoice): Unit | 's' | null {
  const row = TYPED_ROWS.get(field)
  if (row) return typedUnit(row, units)
  // What is no row is a weight, by net, gross and tare, or a time.
  return field.includes('.') ? units.mass : 's'
}

/** What is wrong with a typed value, as a sentence with the mend. */
export function useIssueWords() {
  const { t } = useI18n()
  const format = useFormat()

  function inUnit(limit: number, unit: Unit | 's' | null): string {
    if (unit === null) return format.plain(limit)
    if (unit === 's') return `${format.plain(limit)} ${t('unit.s')}`
    return `${asTyped(unit, limit)} ${t(`unit.${unit}`)}`
  }

  return function issueWords(
    issue: EntryIssue | null | undefined,
    unit: Unit | 's' | null,
  ): string | undefined {
    if (!issue) return undefined
    if (issue.code === 'below' || issue.code === 'above')
      return t(`issue.${issue.code}`, { limit: inUnit(issue.limit, unit) })
    if (issue.code === 'ambiguous')
      return t('issue.ambiguous', {
        asDecimal: String(issue.asDecimal),
        asThousands: String(issue.asThousands),
      })
    return t(`issue.${issue.code}`)
  }
}
