import type { BriefSkill, FamilySkill } from '@calm-apron/contract'
import { type Skill, type SkillStanding, isReadingKind } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

const SIDES = {
  dose: { over: 'skill.side.heavy', under: 'skill.side.light' },
  yield: { over: 'skill.side.heavy', under: 'skill.side.light' },
  time: { over: 'skill.side.slow', under: 'skill.side.fast' },
  taste: { over: 'skill.side.bitter', under: 'skill.side.sour' },
} as const
type Sided = keyof typeof SIDES
const isSided = (skill: Skill): skill is Sided => skill in SIDES
/** A bias under this share of the spread is as good as none. */
const NO_BIAS_SHARE = 0.25

/** What of a family of shots its words go by. */
export type Told = Pick<FamilySkill | BriefSkill, 'family' | 'tolerances'>

/** A skill in words: how much is said in the unit of the newest recipe, of which the figures are in tolerances. */
export function useSkillWords() {
  const { t } = useI18n()
  const format = useFormat()

  /** So many tolerances, as the house measures; empty where that is in no unit. */
  function amount({ family, tolerances }: Told, skill: Skill, inTolerances: number): string {
    const tolerance = isReadingKind(skill) ? tolerances[skill] : null
    if (tolerance === null) return ''
    const size = Math.abs(inTolerances * tolerance)
    if (skill === 'time') return format.seconds(size)
    if (skill === 'taste') {
      const value = Math.round(10 * size) / 10
      return t(value === 1 ? 'skill.point' : 'skill.points', { value: format.plain(value) })
    }
    if (skill === 'yield' && family.by === 'volume') return format.difference('volume', size)
    return format.massApart(size)
  }

  /** "0.6 g heavy"; empty where the skill has no sides. */
  function aside(told: Told, skill: Skill, inTolerances: number): string {
    const size = amount(told, skill, inTolerances)
    if (!isSided(skill) || size === '') return ''
    return t('skill.aside', { amount: size, side: t(SIDES[skill][inTolerances > 0 ? 'over' : 'under']) })
  }

  function biasWords(told: Told, skill: Skill, { bias, spread }: SkillStanding): string {
    if (bias === null || spread === null) return ''
    const isOnTarget = Math.abs(bias) <= NO_BIAS_SHARE * spread
    const off = isOnTarget ? '' : aside(told, skill, bias)
    const apart = amount(told, skill, spread)
    return [
      ...(isOnTarget ? [t('skill.onTarget')] : []),
      ...(off === '' ? [] : [t('skill.bias', { off })]),
      ...(apart === '' ? [] : [t('skill.spread', { amount: apart })]),
    ].join(', ')
  }

  function nextWords({ rung, onShotsToNextRung, recentWorsening }: SkillStanding): string {
    if (recentWorsening.length > 0) return t('skill.worse')
    if (onShotsToNextRung === null) return ''
    const next = rung === 'steady' ? 'ready' : 'steady'
    return t('skill.toNext', { count: onShotsToNextRung, rung: t(`skill.rung.${next}`) }, onShotsToNextRung)
  }

  return { amount, aside, biasWords, nextWords }
}
