import type { RecipeContent } from '@calm-apron/contract'
import { type RecipeDisagreement, brewRatio, drinkLength } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../../kit/units/useFormat.ts'
import { useTargetWords } from '../../../shot/recipe/useTargetWords.ts'

/** What a recipe asks for, and where it disagrees with itself, in a trainer's words. */
export function useRecipeWords() {
  const { t } = useI18n()
  const format = useFormat()
  const { yieldOf } = useTargetWords()

  function disagreement(found: RecipeDisagreement): string {
    switch (found.code) {
      case 'over-basket':
      case 'under-basket':
        return t(`recipeCheck.${found.code}`, {
          dose: format.mass(found.doseG),
          nominal: format.mass(found.nominalG),
        })
      case 'ratio-against-yield':
        return t('recipeCheck.ratio-against-yield', {
          ratio: format.ratio(found.ratio),
          is: format.ratio(found.isRatio),
        })
      case 'window-without-clock':
      case 'nothing-judged':
        return t(`recipeCheck.${found.code}`)
      case 'window-reversed':
      case 'first-drops-reversed':
        return t(`recipeCheck.${found.code}`, { min: found.minS, max: found.maxS })
      case 'first-drop-after-window':
        return t('recipeCheck.first-drop-after-window', { drop: found.firstDropS, end: found.endS })
      case 'volume-against-mass':
        return t('recipeCheck.volume-against-mass', {
          estimate: format.mass(found.estimateG),
          spread: format.massApart(found.spreadG),
          yield: format.mass(found.yieldG),
        })
    }
  }

  /** Its amounts in one line: dose, yield, ratio and what such a drink is called. */
  function amounts({ targets }: Pick<RecipeContent, 'targets'>): string {
    const { doseG, yieldG } = targets
    return t('recipeShown.amounts', {
      dose: format.mass(doseG),
      yield: yieldOf(targets),
      ratio: format.ratio(brewRatio(doseG, yieldG)),
      length: t(`recipeShown.length.${drinkLength(doseG, yieldG)}`),
    })
  }

  /** Its window on its clock. */
  function window({ targets }: Pick<RecipeContent, 'targets'>): string {
    const { clock, timeMinS: min, timeMaxS: max, school } = targets
    return t(school.onlyRecorded.includes('time') ? 'recipeShown.timeRecorded' : `recipe.window.${clock}`, {
      min,
      max,
    })
  }

  return { disagreement, amounts, window }
}
