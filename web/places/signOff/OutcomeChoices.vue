<script setup lang="ts">
import { type JudgedPart, type Outcomes, PART_RESULTS, type PartResult } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import SelectField from '../../kit/forms/SelectField.vue'

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
    <SelectField
      v-for="{ part } in judged"
      :key="part"
      :label="t(`signOff.part.${part}`)"
      :options="options"
      :model-value="resultOf(part)"
      @update:model-value="set(part, $event)"
    />
  </div>
</template>

<style scoped>
.choices {
  width: 100%;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 12px 24px;
}
</style>
