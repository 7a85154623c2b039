<script setup lang="ts">
import { answerBy, isWaiting } from '@calm-apron/core'
import { computed, onMounted } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useAssessments } from '../../shot/signOff/assessments.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import LinkRows from './LinkRows.vue'

/** Assessments that are on, or wait for somebody: fetched once there are any. */
const emit = defineEmits<{ stands: [] }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const assessments = useAssessments()
onMounted(() => emit('stands'))

const rows = computed(() =>
  assessments.open.flatMap(({ assessmentId, state }) => {
    const { stage, setup } = state
    if (!isWaiting(stage)) return []
    const to =
      stage === 'running' && setup.trainingId !== null
        ? { name: 'training', params: { trainingId: setup.trainingId } }
        : { name: 'assessment', params: { assessmentId } }
    const by = answerBy(state)
    const says = [
      t(`signOff.waiting.${stage}`, { person: academy.personName(setup.personId) }),
      ...(by === null ? [] : [t('signOff.waiting.by', { date: format.dateOf(by, academy.timeZone) })]),
    ]
    return [{ key: assessmentId, to, says: says.join(', ') }]
  }),
)
</script>

<template>
  <LinkRows :title="t('signOff.waiting.title')" :rows="rows" />
</template>
