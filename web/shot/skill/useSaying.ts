import type { Skill, SkillSaying } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { type Told, useSkillWords } from './useSkillWords.ts'

/** What has no measure of its own, and is practised in a way of its own. */
const SEEN_ONLY = ['prep', 'tamp', 'call'] as const
const isSeenOnly = (skill: Skill): skill is (typeof SEEN_ONLY)[number] =>
  SEEN_ONLY.some((each) => each === skill)

/** The one thing that is said of a person, as a sentence. */
export function useSaying() {
  const { t } = useI18n()
  const words = useSkillWords()

  function storyWords(
    { skill, story, bias }: Extract<SkillSaying, { kind: 'practise' }>,
    told: Told | null,
  ): string {
    if (story === 'seen-only' && isSeenOnly(skill)) return t(`skill.seenOnly.${skill}`)
    if (story === 'on-target') return t('skill.says.nearly')
    const off = bias === null || told === null ? '' : words.aside(told, skill, bias)
    return story === 'steady-but-off' && off !== ''
      ? t('skill.says.usually', { off })
      : t(`skill.story.${story}`)
  }

  return function sayingWords(saying: SkillSaying, told: Told | null): string {
    switch (saying.kind) {
      case 'safety-missed':
        return t('skill.says.safetyMissed', { count: saying.times }, saying.times)
      case 'worse': {
        const skill = t(`skill.of.${saying.skill}`)
        const off = told === null ? '' : words.aside(told, saying.skill, saying.shift.mean)
        return off === ''
          ? t('skill.says.worse', { skill })
          : t('skill.says.shifted', { skill, count: saying.shift.shots, off })
      }
      case 'practise':
        return t('skill.says.practise', {
          skill: t(`skill.of.${saying.skill}`).toLowerCase(),
          story: storyWords(saying, told),
        })
      case 'idle':
        return t('skill.says.idle', { days: saying.days })
      case 'few':
        return t('skill.says.few', { count: saying.shots }, saying.shots)
      case 'ready':
      case 'due':
      case 'going-well':
      case 'nothing-yet':
        return t(`skill.says.${saying.kind}`)
    }
  }
}
