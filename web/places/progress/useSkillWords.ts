import type { ReadingKind, ReadingSkill } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

const SIDES = {
  dose: { over: 'skill.side.over', under: 'skill.side.under' },
  yield: { over: 'skill.side.over', under: 'skill.side.under' },
  time: { over: 'skill.side.slow', under: 'skill.side.fast' },
  taste: { over: 'skill.side.bitter', under: 'skill.side.sour' },
  tamp: { over: 'skill.side.over', under: 'skill.side.under' },
} as const
/** A bias under this share of the spread is as good as none. */
const NO_BIAS_SHARE = 0.25

/** A reading's skill in words: bias, spread and what the next rung takes. */
export function useSkillWords() {
  const { t } = useI18n()
  const format = useFormat()

  function amount(kind: ReadingKind, value: number): string {
    if (kind === 'time') return format.seconds(Math.abs(value))
    if (kind === 'taste')
      return t('skill.points', { value: format.plain(Math.abs(Math.round(10 * value) / 10)) })
    return format.massApart(value)
  }

  function biasWords(kind: ReadingKind, { bias, spread }: ReadingSkill): string {
    if (bias === null || spread === null) return ''
    const parts = [
      Math.abs(bias) <= NO_BIAS_SHARE * spread
        ? t('skill.onTarget')
        : t('skill.bias', { amount: amount(kind, bias), side: t(SIDES[kind][bias > 0 ? 'over' : 'under']) }),
      t('skill.spread', { amount: amount(kind, spread) }),
    ]
    return parts.join(', ')
  }

  function nextWords({ rung, onShotsToNextRung, recentWorsening }: ReadingSkill): string {
    if (recentWorsening.length > 0) return t('skill.worse')
    if (onShotsToNextRung === null) return ''
    const next = rung === 'steady' ? 'ready' : 'steady'
    return t('skill.toNext', { count: onShotsToNextRung, rung: t(`skill.rung.${next}`) }, onShotsToNextRung)
  }

  return { biasWords, nextWords }
}
