import type { Prepared } from '@calm-apron/contract'
import { computed, shallowRef } from 'vue'
import { useFormat } from '../../units/useFormat.ts'
import { useI18n } from 'vue-i18n'
import { allOf } from '../preparedApi.ts'

/** All baskets, to choose from and to name. */
export function useBaskets() {
  const { t } = useI18n()
  const format = useFormat()
  const baskets = shallowRef<Prepared<'basket'>[]>([])

  async function load(): Promise<void> {
    baskets.value = await allOf('basket')
  }
  const choices = computed(() => ({
    basketId: baskets.value.map(({ preparedId, content }) => ({
      value: preparedId,
      label: t('prepare.basketChoice', { name: content.name, nominal: format.mass(content.nominalG) }),
    })),
  }))
  const nameOf = (id: string) => baskets.value.find(({ preparedId }) => preparedId === id)?.content.name ?? ''

  return { baskets, load, choices, nameOf }
}
