<script setup lang="ts">
import { FOCUS_NAMES, focusNamed } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useTrainings } from '../../shot/training/trainings.ts'
import FocusChoice from './FocusChoice.vue'
import TrainingForm from './TrainingForm.vue'
import { useSetupForm } from './useSetupForm.ts'
import { useLastFocus, useStartTraining } from '../../shot/training/useStartTraining.ts'

/** A training is begun, or one that is on is changed: who is there, at which group, with what. */
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const trainings = useTrainings()
const startTraining = useStartTraining()

const asked = (name: string) => {
  const value = route.query[name]
  return typeof value === 'string' ? value : null
}
const changing = asked('change')
const form = useSetupForm(
  changing === null ? null : (trainings.stateOf(changing)?.setup ?? null),
  asked('with'),
)
const wasTried = ref(false)
// Whoever comes from what somebody should practise begins with that.
const toPractise = FOCUS_NAMES.find((name) => name === asked('focus'))
const focus = ref(toPractise === undefined ? useLastFocus().value : focusNamed(toPractise))

async function go(): Promise<void> {
  wasTried.value = true
  if (form.setup.value === null) return
  if (changing === null) return startTraining(form.setup.value, focus.value)
  await trainings.note(changing, { kind: 'changed', setup: form.setup.value })
  await router.push({ name: 'training', params: { trainingId: changing } })
}
</script>

<template>
  <div class="new">
    <h1 tabindex="-1">{{ t(changing ? 'lead.change' : 'training.new') }}</h1>
    <FocusChoice v-if="changing === null" v-model="focus" />
    <TrainingForm :form="form" />
    <div class="go">
      <PressButton kind="primary" is-large @click="go">{{
        t(changing ? 'lead.saveChange' : 'lead.start')
      }}</PressButton>
      <p v-if="wasTried && form.missing.value" role="alert">
        {{ t(`training.missing.${form.missing.value}`) }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.new {
  display: grid;
  gap: 24px;
  max-width: 1040px;
  margin: 0 auto;
  padding: 24px;
  --touch: 56px;
}
.go {
  position: sticky;
  bottom: 0;
  padding: 12px 0;
  background: var(--paper);
}
.go :deep(.press-button) {
  min-height: 56px;
  padding-inline: 32px;
  font-size: 1.25rem;
}
.go p {
  margin: 8px 0 0;
}
</style>
