import type { Prepared } from '@calm-apron/contract'
import { ACTS, ACT_OF_CAUTION, type Act, CAUTION_KEYS, type CautionKey } from '@calm-apron/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { ServerUnreachable } from '../../api/client.ts'
import { i18n } from '../../words/index.ts'
import { allOf } from '../preparedApi.ts'

export interface Caution {
  id: string
  act: Act
  text: string
  /** Of the shipped ones. */
  key: CautionKey | null
  /** The academy's own wording, where there is one. */
  own: Prepared<'caution'> | null
}

/** The shipped cautions in the academy's wording where it has one, and its own. Without the server the shipped ones stand. */
export const useCautions = defineStore('cautions', () => {
  const { t } = i18n.global
  const own = shallowRef<Prepared<'caution'>[]>([])

  async function load(): Promise<void> {
    try {
      own.value = await allOf('caution')
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
    }
  }

  const ownOf = (key: CautionKey) => own.value.find(({ content }) => content.key === key) ?? null
  const shipped = (key: CautionKey) => ownOf(key)?.content.text ?? t(`caution.text.${key}`)

  const all = computed<Caution[]>(() => [
    ...CAUTION_KEYS.map((key) => ({
      id: key,
      key,
      act: ownOf(key)?.content.act ?? ACT_OF_CAUTION[key],
      text: shipped(key),
      own: ownOf(key),
    })),
    ...own.value
      .filter(({ content }) => content.key === null)
      .map((each) => ({
        id: each.preparedId,
        key: null,
        act: each.content.act,
        text: each.content.text,
        own: each,
      })),
  ])
  const at = (act: Act) => all.value.filter((each) => each.act === act && each.key !== 'manual-first')
  const byAct = computed(() =>
    ACTS.map((act) => ({ act, cautions: all.value.filter((each) => each.act === act) })),
  )

  return { load, shipped, all, at, byAct }
})
