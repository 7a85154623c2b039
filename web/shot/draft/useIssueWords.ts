import type { UnitOf } from '@calm-apron/core'
import { asTyped } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'
import type { EntryIssue } from './readEntry.ts'

/** What is wrong with a typed value, as a sentence with the mend. */
export function useIssueWords() {
  const { t } = useI18n()
  const format = useFormat()

  function inUnit(limit: number, unit: UnitOf<'mass'> | 's' | null): string {
    if (unit === null) return format.plain(limit)
    if (unit === 's') return `${format.plain(limit)} ${t('unit.s')}`
    return `${asTyped(unit, limit)} ${t(`unit.${unit}`)}`
  }

  return function issueWords(
    issue: EntryIssue | null | undefined,
    unit: UnitOf<'mass'> | 's' | null,
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
