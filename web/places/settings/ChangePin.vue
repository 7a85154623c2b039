<script setup lang="ts">
import { BOUNDS, ENDPOINTS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { reactive, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import PasswordField from '../../kit/forms/PasswordField.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import { useDoor } from '../../data/door/door.ts'

defineProps<{ hasPin: boolean }>()
const { t } = useI18n()
const door = useDoor()
const { issues, failure, isBusy, submit } = useForm()
const values = reactive({ password: '', pin: '', again: '' })
const done = ref('')

async function change(pin: string | null): Promise<void> {
  done.value = ''
  if (pin !== null && pin !== values.again) {
    issues.value = { again: t('fieldIssue.notAlike') }
    return
  }
  const given = { password: values.password, pin }
  const isDone = await submit(ENDPOINTS.changePin.body, given, async (body) =>
    door.comeIn(await call(ENDPOINTS.changePin, { body })),
  )
  if (!isDone) return
  Object.assign(values, { password: '', pin: '', again: '' })
  done.value = t(pin === null ? 'you.pinDropped' : 'you.pinSaved')
}
</script>

<template>
  <form class="stack" novalidate aria-labelledby="pin-title" @submit.prevent="change(values.pin)">
    <h2 id="pin-title">{{ t('you.pinTitle') }}</h2>
    <p>{{ t('you.pinIntro') }} {{ t(hasPin ? 'you.pinSet' : 'you.pinNone') }}</p>
    <FormField
      v-model="values.pin"
      :label="t('you.pin')"
      type="password"
      inputmode="numeric"
      :maxlength="BOUNDS.pinLength.max"
      :issue="issues['pin'] ? t('fieldIssue.pin') : undefined"
    />
    <FormField
      v-model="values.again"
      :label="t('you.pinAgain')"
      type="password"
      inputmode="numeric"
      :maxlength="BOUNDS.pinLength.max"
      :issue="issues['again']"
    />
    <PasswordField
      v-model="values.password"
      :label="t('you.current')"
      autocomplete="current-password"
      :issue="issues['password']"
    />
    <FormFailure :says="failure" />
    <p v-if="done" role="status">{{ done }}</p>
    <div class="actions">
      <PressButton kind="primary" type="submit" :is-busy="isBusy">{{ t('you.pinSave') }}</PressButton>
      <PressButton v-if="hasPin" @click="change(null)">{{ t('you.pinDrop') }}</PressButton>
    </div>
  </form>
</template>
