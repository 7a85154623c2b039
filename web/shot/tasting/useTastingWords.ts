import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'

/** What bag and recipe say of the cup, to be held beside what is tasted: a line for each that says anything. */
export function useTastingWords(of: () => { bagId: string | null; recipeWords: string | null }) {
  const { t } = useI18n()
  const academy = useAcademy()
  return computed(() => {
    const { bagId, recipeWords } = of()
    const bagWords = academy.coffeeOfBag(bagId)?.bagWords
    return [
      ...(bagWords ? [t('taste.bagSays', { words: bagWords })] : []),
      ...(recipeWords ? [t('taste.recipeSays', { words: recipeWords })] : []),
    ]
  })
}
