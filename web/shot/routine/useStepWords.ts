import type { RoutineStep } from '@calm-apron/contract'
import { useI18n } from 'vue-i18n'

/** What a step says: the academy's words where it has any, else the catalogue's. */
export function useStepWords() {
  const i18n = useI18n()

  function said(
    step: Pick<RoutineStep, 'key' | 'what' | 'reason' | 'mistake' | 'caution'>,
    part: StepPart,
  ): string {
    if (step[part] !== '' || step.key === null) return step[part]
    const key = `shotStep.${step.key}.${part}`
    return i18n.te(key) ? i18n.t(key) : ''
  }

  return { said }
}

type StepPart = 'what' | 'reason' | 'mistake' | 'caution'
