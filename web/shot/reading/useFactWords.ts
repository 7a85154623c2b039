import type { ShotFacts } from '@calm-apron/core'
import equal from 'fast-deep-equal'
import { useI18n } from 'vue-i18n'
import { useFactLines } from './useFactLines.ts'

/**
 * What was recorded of a shot, in words: line by line, and what a correction changed of it.
 * @param settingWords how a setting is said on the grinder it was pulled with; a plain number where that is not known
 */
export function useFactWords(settingWords?: (setting: number) => string) {
  const { t } = useI18n()
  const lines = useFactLines(settingWords)
  const unknown = () => t('recorded.unknown')

  /** What differs between two states of the facts, in words; what is finer than a line shows is named as such. */
  function changes(before: ShotFacts, after: ShotFacts): string[] {
    const byLabel = (facts: ShotFacts) => new Map(lines(facts).map(({ label, value }) => [label, value]))
    const [old, now] = [byLabel(before), byLabel(after)]
    const named = [...new Set([...now.keys(), ...old.keys()])].flatMap((field) => {
      const [was, is] = [old.get(field) ?? unknown(), now.get(field) ?? unknown()]
      return was === is ? [] : [t('reading.changed', { field, before: was, after: is })]
    })
    if (named.length > 0 || isSame(before, after)) return named
    const words = { before: t('recorded.othersBefore'), after: t('recorded.othersAfter') }
    return [t('reading.changed', { field: t('recorded.others'), ...words })]
  }

  return { lines, changes }
}

/** What was left out is not known, as null is. */
function isSame(before: ShotFacts, after: ShotFacts): boolean {
  const known = (_key: string, value: unknown) => value ?? undefined
  const plain = (facts: ShotFacts) => JSON.parse(JSON.stringify(facts, known)) as unknown
  return equal(plain(before), plain(after))
}
