<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { useTrainings } from '../../shot/training/trainings.ts'
import { useLastFocus, useLastSetup, useStartTraining } from '../../shot/training/useStartTraining.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** What is on: trainings to go on with, and how one is begun, in one tap as the last time or in full. */
const { t } = useI18n()
const academy = useAcademy()
const door = useDoor()
const trainings = useTrainings()
const format = useFormat()
const last = useLastSetup()
const lastFocus = useLastFocus()
const startTraining = useStartTraining()

const names = (seats: readonly { personId: string }[]) =>
  seats.map(({ personId }) => academy.personName(personId).split(' ')[0]).join(', ')
const open = computed(() =>
  trainings.open.map(({ trainingId, state }) => ({
    trainingId,
    title: t(`training.title.${state.setup.purpose}`),
    says: t('training.withSince', {
      people: names(state.setup.seats),
      time: format.timeOf(state.startedAt, academy.timeZone),
    }),
  })),
)
</script>

<template>
  <section v-if="door.isStaff || open.length > 0" class="on" aria-labelledby="on">
    <h2 id="on">{{ t('training.on') }}</h2>
    <RouterLink
      v-for="each in open"
      :key="each.trainingId"
      class="open"
      :to="{ name: 'training', params: { trainingId: each.trainingId } }"
      ><strong>{{ each.title }}</strong> <span>{{ each.says }}</span></RouterLink
    >
    <div v-if="door.isStaff" class="actions">
      <PressButton v-if="last" is-large kind="primary" @click="startTraining(last, lastFocus)">
        {{ t('training.again', { people: names(last.seats) }) }}
      </PressButton>
      <RouterLink class="press" :class="{ second: last }" :to="{ name: 'new-training' }">{{
        t('training.new')
      }}</RouterLink>
    </div>
    <RouterLink class="past" :to="{ name: 'past-trainings' }">{{ t('training.past') }}</RouterLink>
  </section>
</template>

<style scoped>
.on {
  display: grid;
  gap: 12px;
}
h2 {
  margin: 0;
}
.open {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  min-height: 56px;
  padding: 8px 16px;
  border-left: 6px solid var(--pine);
  background: var(--raised);
  color: inherit;
  text-decoration: none;
}
.past {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
.actions :deep(.press-button),
.press {
  min-height: 56px;
}
</style>
