import { brewRatio } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useTargetWords } from '../recipe/useTargetWords.ts'

/** The academy's recipes as they are chosen from: by name, with their amounts and window in words. */
export function useRecipeChoices() {
  const { t } = useI18n()
  const academy = useAcademy()
  const format = useFormat()
  const { yieldOf } = useTargetWords()

  return computed(() =>
    (academy.today?.recipes ?? []).map(({ recipeRevisionId: id, name, targets }) => ({
      id,
      name,
      targets: t('recipe.targets', {
        dose: format.mass(targets.doseG),
        yield: yieldOf(targets),
        ratio: format.ratio(brewRatio(targets.doseG, targets.yieldG)),
      }),
      window: t(`recipe.window.${targets.clock}`, { min: targets.timeMinS, max: targets.timeMaxS }),
    })),
  )
}
