import type { Prepared } from '@calm-apron/contract'
import { ACTS, ACT_OF_CAUTION, type Act, CAUTION_KEYS, type CautionKey } from '@calm-apron/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { allAsked } from '../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { i18n } from '../../words/index.ts'

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
  const academy = useAcademy()
  const isListed = ref(false)
  const answer = useAnswer(() => (isListed.value ? allAsked('caution') : null))
  const own = computed(() => answer.value.value ?? [])

  /** For the page that lists them all; elsewhere they are as Today told them. */
  async function load(): Promise<void> {
    isListed.value = true
    await answer.load()
  }

  /** As Today told them: at the bar nothing is asked for anew. */
  const told = computed(() => academy.today?.cautions ?? [])
  const ownOf = (key: CautionKey) => own.value.find(({ content }) => content.key === key) ?? null
  const toldOf = (key: CautionKey) =>
    ownOf(key)?.content ?? told.value.find((caution) => caution.key === key) ?? null
  const shipped = (key: CautionKey) => toldOf(key)?.text ?? t(`caution.text.${key}`)

  const all = computed<Caution[]>(() => [
    ...CAUTION_KEYS.map((key) => ({
      id: key,
      key,
      act: toldOf(key)?.act ?? ACT_OF_CAUTION[key],
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
    ...told.value
      .filter(
        ({ key, cautionId }) => key === null && !own.value.some((each) => each.preparedId === cautionId),
      )
      .map(({ cautionId, act, text }) => ({ id: cautionId, key: null, act, text, own: null })),
  ])
  const at = (act: Act) => all.value.filter((each) => each.act === act && each.key !== 'manual-first')
  const byAct = computed(() =>
    ACTS.map((act) => ({ act, cautions: all.value.filter((each) => each.act === act) })),
  )

  return { load, shipped, all, at, byAct }
})
