<script setup lang="ts">
import { ENDPOINTS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { reactive } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import PasswordField from '../../kit/forms/PasswordField.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import { useDoor } from '../../data/door/door.ts'

const props = defineProps<{
  /** Called at once when someone has come in; the page they came in on may be gone by then, and would hear no event. */
  whenIn?: () => void
}>()
const { t } = useI18n()
const door = useDoor()
const { issues, failure, isBusy, submit } = useForm()
const values = reactive({ signInName: '', password: '' })

async function signIn(): Promise<void> {
  const isIn = await submit(ENDPOINTS.signIn.body, values, async (body) =>
    door.comeIn(await call(ENDPOINTS.signIn, { body })),
  )
  if (isIn) props.whenIn?.()
}
</script>

<template>
  <form class="form" novalidate @submit.prevent="signIn">
    <FormField
      v-model="values.signInName"
      :label="t('door.signInName')"
      autocomplete="username"
      inputmode="email"
      :issue="issues['signInName']"
    />
    <PasswordField
      v-model="values.password"
      :label="t('door.password')"
      autocomplete="current-password"
      :issue="issues['password']"
    />
    <FormFailure :says="failure" />
    <PressButton kind="primary" is-large type="submit" :is-busy="isBusy">{{ t('door.signIn') }}</PressButton>
    <p class="soft">{{ t('door.lost') }}</p>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.form > * {
  width: 100%;
}
.form > :deep(.press-button) {
  width: auto;
}
</style>
