<script setup lang="ts">
import { BOUNDS, pin as pinSchema } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import { useForm } from '../../kit/forms/useForm.ts'

/** A PIN by large keys for wet hands, or typed. */
const props = defineProps<{ label: string; send: (pin: string) => Promise<void> }>()
const { t } = useI18n()
const { issues, failure, isBusy, submit } = useForm()
const typed = ref('')
const LONGEST = BOUNDS.pinLength.max
const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const

function press(digit: string): void {
  if (typed.value.length < LONGEST) typed.value += digit
}

async function enter(): Promise<void> {
  const isIn = await submit(pinSchema, typed.value, props.send)
  if (!isIn && !issues.value['']) typed.value = ''
}
</script>

<template>
  <form class="pin" novalidate @submit.prevent="enter">
    <FormField
      v-model="typed"
      :label="label"
      type="password"
      inputmode="numeric"
      autocomplete="off"
      :maxlength="LONGEST"
      :issue="issues[''] ? t('fieldIssue.pin') : undefined"
    />
    <div class="keys">
      <PressButton
        v-for="digit in DIGITS"
        :key="digit"
        :aria-label="t('door.digit', { digit })"
        @click="press(digit)"
        >{{ digit }}</PressButton
      >
      <PressButton class="clear" @click="typed = ''">{{ t('door.clear') }}</PressButton>
      <PressButton :aria-label="t('door.digit', { digit: 0 })" @click="press('0')">0</PressButton>
      <PressButton kind="primary" type="submit" :is-busy="isBusy">{{ t('door.comeIn') }}</PressButton>
    </div>
    <FormFailure :says="failure" />
  </form>
</template>

<style scoped>
.pin {
  display: grid;
  gap: 12px;
  max-width: 340px;
}
.keys {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 12px;
}
.keys :deep(.press-button) {
  min-height: 56px;
  padding: 0 4px;
  font-size: 1.25rem;
  font-family: var(--figure-font);
}
.keys :deep(.press-button.clear),
.keys :deep(.press-button[type='submit']) {
  font-size: 1rem;
  font-family: var(--text-font);
}
</style>
