<script setup lang="ts">
import {
  type DoseMethod,
  MARK_PLACES,
  type MarkMethod,
  type Recipe,
  countWanted,
  doseEstimate,
  isCountMethod,
  isDoseSeen,
  seenTrim,
} from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import NumberEntry from '../../kit/parts/NumberEntry.vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import type { ReadDraft } from '../draft/readDraft.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { useDoseWords } from './useDoseWords.ts'

/** A dose without a scale: where it stands to its mark, or how many went in. */
const props = defineProps<{
  method: Exclude<DoseMethod, 'scale'>
  recipe: Recipe | null
  seen: ReadDraft['facts']['dose']
  issue: string | undefined
}>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const format = useFormat()
const { countWords, trimWords } = useDoseWords()

const counted = computed(() => (isCountMethod(props.method) ? props.method : null))
const places = computed(() =>
  props.method === counted.value
    ? []
    : [
        ...MARK_PLACES.map((value) => ({
          value,
          // What is not counted is held against a mark.
          label: t(`doseSeen.is.${props.method as MarkMethod}.${value}`),
        })),
        { value: null, label: t('doseSeen.notSeen') },
      ],
)
const isHelped = computed(() => draft.value.noted.isHelped !== false)
const says = computed(() => {
  const { seen, recipe } = props
  if (!isHelped.value || recipe === null || !isDoseSeen(seen)) return ''
  if (seen.by === 'count' && countWanted(seen.of, recipe) === null) return t('doseSeen.countUnknown')
  const trim = seenTrim(seen, recipe)
  return trim === null ? t('doseSeen.asWanted') : trimWords(trim)
})
const grams = computed(() => {
  const { seen, recipe } = props
  const about = recipe === null || !isHelped.value ? null : doseEstimate({ dose: seen }, recipe)
  if (about === null) return ''
  return t('doseSeen.grams', { amount: format.mass(about.g), spread: format.massApart(about.sdG) })
})
const wanted = computed(() => {
  const { recipe } = props
  if (counted.value === null || recipe === null) return ''
  const count = countWanted(counted.value, recipe)
  return count === null ? '' : t('doseSeen.wanted', { count: countWords(counted.value, count) })
})
</script>

<template>
  <NumberEntry
    v-if="counted"
    v-model="draft.texts.doseCount"
    :label="t(`doseSeen.counted.${counted}`)"
    :hint="wanted"
    :issue="issue"
  />
  <ChoiceRow v-else v-model="draft.doseAt" is-label-hidden :label="t('doseSeen.where')" :options="places" />
  <p v-if="says" class="says" role="status">{{ says }}</p>
  <p v-if="grams" class="soft">{{ grams }}</p>
</template>

<style scoped>
.says {
  margin: 0;
  font-size: 1.1em;
}
.soft {
  margin: 0;
}
</style>
