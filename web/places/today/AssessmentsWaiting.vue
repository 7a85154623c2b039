<script setup lang="ts">
import { isWaiting } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useAssessments } from '../../shot/signOff/assessments.ts'

/** Assessments that are on, or wait for somebody: fetched once there are any. */
const { t } = useI18n()
const academy = useAcademy()
const assessments = useAssessments()

const rows = computed(() =>
  assessments.open.flatMap(({ assessmentId, state: { stage, setup } }) => {
    if (!isWaiting(stage)) return []
    const to =
      stage === 'running' && setup.trainingId !== null
        ? { name: 'training', params: { trainingId: setup.trainingId } }
        : { name: 'assessment', params: { assessmentId } }
    return [
      {
        assessmentId,
        to,
        says: t(`signOff.waiting.${stage}`, { person: academy.personName(setup.personId) }),
      },
    ]
  }),
)
</script>

<template>
  <section v-if="rows.length > 0" aria-labelledby="assessments">
    <h2 id="assessments">{{ t('signOff.waiting.title') }}</h2>
    <ul>
      <li v-for="row in rows" :key="row.assessmentId">
        <RouterLink class="row" :to="row.to">{{ row.says }}</RouterLink>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  min-height: 48px;
  border-bottom: 1px solid var(--mist);
}
</style>
