<script setup lang="ts">
import { type JudgedPart, type Outcomes, PART_RESULTS, type PartResult } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'

/** What each part came to, as whoever decides says it; begun as the rules propose. */
defineProps<{ judged: readonly JudgedPart[] }>()
const outcomes = defineModel<Outcomes>({ required: true })
const { t } = useI18n()
const options = PART_RESULTS.map((value) => ({ value, label: t(`signOff.result.${value}`) }))

const resultOf = (part: JudgedPart['part']): PartResult =>
  outcomes.value.find((each) => each.part === part)?.result ?? 'noted'
function set(part: JudgedPart['part'], result: PartResult): void {
  outcomes.value = outcomes.value.map((each) => (each.part === part ? { part, result } : each))
}
</script>

<template>
  <div class="choices">
    <ChoiceRow
      v-for="{ part } in judged"
      :key="part"
      :label="t(`signOff.part.${part}`)"
      :options="options"
      :model-value="resultOf(part)"
      is-inline
      @update:model-value="set(part, $event)"
    />
  </div>
</template>

<style scoped>
.choices {
  display: grid;
  gap: 8px;
}
</style>
