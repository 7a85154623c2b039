<script setup lang="ts">
import { type TrainingSetup, seatedToo } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useTrainings } from '../../shot/training/trainings.ts'

/** Whoever comes later joins in one tap, where the fewest stand. */
const props = defineProps<{ trainingId: string; setup: TrainingSetup }>()
const { t } = useI18n()
const academy = useAcademy()
const trainings = useTrainings()

/** So many stand in sight, each a tap away. */
const IN_SIGHT = 8
const absent = computed(() =>
  academy.trainees.filter(({ personId }) => props.setup.seats.every((seat) => seat.personId !== personId)),
)
async function join(personId: string): Promise<void> {
  const seats = seatedToo(props.setup.seats, personId)
  await trainings.note(props.trainingId, { kind: 'changed', setup: { ...props.setup, seats } })
}
</script>

<template>
  <details v-if="absent.length > 0" class="late" :open="absent.length <= IN_SIGHT">
    <summary>{{ t('turns.late') }}</summary>
    <div class="actions">
      <PressButton v-for="each in absent" :key="each.personId" @click="join(each.personId)">{{
        t('turns.join', { person: each.displayName })
      }}</PressButton>
    </div>
  </details>
</template>

<style scoped>
.late :deep(.press-button) {
  min-height: 56px;
}
</style>
