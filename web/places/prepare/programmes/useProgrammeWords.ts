import type { ProgrammeContent } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'
import { usePartWords } from '../../../shot/signOff/usePartWords.ts'

/** A programme in sentences: what is judged, what comes before, what the set is. */
export function useProgrammeWords() {
  const { t } = useI18n()
  const { partsWords } = usePartWords()

  function says({ way, ticks, skills, run, set, grindOwner, assessors }: ProgrammeContent): string[] {
    if (way === 'ticks')
      return [t('signOff.programme.ticksOf', ticks.length), ...ticks.map(({ what }) => what)]
    return [
      t('signOff.programme.judged', { parts: partsWords(skills) }),
      t('signOff.programme.run', { shots: run.shots, days: run.days, bags: run.bags }),
      t('signOff.programme.setOf', { shots: set.shots, on: set.onShots }),
      `${t('prepared.label.grindOwner')}: ${t(`prepared.option.grindOwner.${grindOwner}`)}`,
      `${t('prepared.label.assessors')}: ${t(`prepared.option.assessors.${assessors}`)}`,
    ]
  }
  return { says }
}
