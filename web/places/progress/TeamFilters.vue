<script setup lang="ts">
import { MEASURED_BY, trainingState } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { pastTrainingsAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import SelectField from '../../kit/forms/SelectField.vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import { TEAM_ORDERS, type TeamView } from './teamView.ts'

/** Of whom the team page tells, and in which order. */
const view = defineModel<TeamView>({ required: true })
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const past = useAnswer(() => pastTrainingsAsked(1))

const orders = TEAM_ORDERS.map((value) => ({ value, label: t(`skill.order.${value}`) }))
const ways = [
  { value: '' as const, label: t('skill.filter.any') },
  ...MEASURED_BY.map((value) => ({ value, label: t(`skill.family.${value}`) })),
]
const days = ['', '7', '30', '90'].map((value) => ({
  value,
  label: value === '' ? t('skill.filter.any') : t('skill.filter.days', { days: value }),
}))
const trainings = computed(() => [
  { value: '', label: t('skill.filter.any') },
  ...(past.value.value?.trainings ?? []).flatMap(({ trainingId, events }) => {
    const state = trainingState(events)
    if (state === null) return []
    const { startedAt } = state
    const label = format.momentOf(startedAt, academy.timeZone)
    return [{ value: trainingId, label }]
  }),
])
const within = ref(view.value.withinDays === null ? '' : String(view.value.withinDays))
const trainingId = ref('')
watch([within, trainingId], () => {
  const events = past.value.value?.trainings.find((each) => each.trainingId === trainingId.value)?.events
  const seats = events === undefined ? null : (trainingState(events)?.setup.seats ?? null)
  view.value = {
    ...view.value,
    withinDays: within.value === '' ? null : Number(within.value),
    personIds: seats === null ? null : seats.map(({ personId }) => personId),
  }
})
</script>

<template>
  <div class="filters">
    <SelectField
      :model-value="view.order"
      :label="t('skill.order.label')"
      :options="orders"
      @update:model-value="(order) => (view = { ...view, order })"
    />
    <SelectField
      :model-value="view.by"
      :label="t('skill.family.label')"
      :options="ways"
      @update:model-value="(by) => (view = { ...view, by })"
    />
    <SelectField v-model="within" :label="t('skill.filter.since')" :options="days" />
    <SelectField v-model="trainingId" :label="t('skill.filter.training')" :options="trainings" />
  </div>
</template>

<style scoped>
.filters {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 12px 16px;
  margin-bottom: 12px;
}
</style>
