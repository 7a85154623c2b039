import type { BriefSkill, FamilySkill, TakeHome } from '@calm-apron/contract'
import { skillSaying } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useSaying } from './useSaying.ts'

/** What whoever learns is told of themselves: what went right last time, and what to do next. */
export function useOwnSentences() {
  const { t } = useI18n()
  const academy = useAcademy()
  const format = useFormat()
  const sayingWords = useSaying()

  return function ownSentences(
    family: FamilySkill | BriefSkill,
    nowMs: number,
    takeHome: TakeHome | null = null,
  ): string[] {
    const { lastAt, wentRight, lastSession } = family
    const saying = skillSaying(family, nowMs)
    const date = lastAt === null ? '' : format.dateOf(lastAt, academy.timeZone)
    const sentences = [
      ...(lastSession === null
        ? []
        : [
            t(
              'skill.own.session',
              { date, good: lastSession.good, count: lastSession.shots },
              lastSession.shots,
            ),
          ]),
      ...(wentRight === null
        ? []
        : [t('skill.own.right', { skill: t(`skill.of.${wentRight}`).toLowerCase() })]),
      saying.kind === 'ready' ||
      saying.kind === 'due' ||
      saying.kind === 'idle' ||
      saying.kind === 'going-well'
        ? t(`skill.own.${saying.kind}`)
        : sayingWords(saying, family),
    ]
    // What their trainer gave them in the same words is not said twice.
    return sentences.filter((each) => takeHome?.text.includes(each) !== true)
  }
}
