<script setup lang="ts">
import { BOUNDS, ENDPOINTS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { reactive, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import PasswordField from '../../kit/forms/PasswordField.vue'
import { useForm } from '../../kit/forms/useForm.ts'

const { t } = useI18n()
const { issues, failure, isBusy, submit } = useForm()
const values = reactive({ current: '', next: '' })
const isDone = ref(false)

async function change(): Promise<void> {
  isDone.value = await submit(ENDPOINTS.changePassword.body, values, (body) =>
    call(ENDPOINTS.changePassword, { body }),
  )
  if (isDone.value) Object.assign(values, { current: '', next: '' })
}
</script>

<template>
  <form class="stack" novalidate aria-labelledby="password-title" @submit.prevent="change">
    <h2 id="password-title">{{ t('you.passwordTitle') }}</h2>
    <PasswordField
      v-model="values.current"
      :label="t('you.current')"
      autocomplete="current-password"
      :issue="issues['current']"
    />
    <PasswordField
      v-model="values.next"
      :label="t('door.newPassword')"
      :hint="t('door.passwordHint', { min: BOUNDS.passwordLength.min })"
      autocomplete="new-password"
      :issue="issues['next']"
    />
    <FormFailure :says="failure" />
    <p v-if="isDone" role="status">{{ t('you.passwordChanged') }}</p>
    <div>
      <PressButton kind="primary" type="submit" :is-busy="isBusy">{{ t('you.change') }}</PressButton>
    </div>
  </form>
</template>
