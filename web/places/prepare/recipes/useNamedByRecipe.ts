import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { allAsked } from '../../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../../data/queries/useAnswer.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'

/** What a recipe names: all baskets and coffees, to choose from and to name. */
export function useNamedByRecipe() {
  const { t } = useI18n()
  const format = useFormat()
  const answer = useAnswer(() => allAsked('basket'))
  const baskets = computed(() => answer.value.value ?? [])
  const coffeesAnswer = useAnswer(() => allAsked('coffee'))
  const coffees = computed(() => coffeesAnswer.value.value ?? [])

  const choices = computed(() => ({
    basketId: baskets.value.map(({ preparedId, content }) => ({
      value: preparedId,
      label: t('prepare.basketChoice', { name: content.name, nominal: format.mass(content.nominalG) }),
    })),
    coffeeId: coffees.value.map(({ preparedId, content }) => ({ value: preparedId, label: content.name })),
  }))
  const nameOf = (id: string) =>
    [...baskets.value, ...coffees.value].find(({ preparedId }) => preparedId === id)?.content.name ?? ''

  /** Whether the server was asked, and answered or did not. */
  const isAsked = computed(() => answer.state.value !== 'looking')

  return { baskets, isAsked, choices, nameOf }
}
