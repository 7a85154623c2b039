<script setup lang="ts">
import { ENDPOINTS, type PersonInput } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { v7 as uuidv7 } from 'uuid'
import { reactive, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import LinkShown from './LinkShown.vue'
import RoleChoice from './RoleChoice.vue'
import { useLink } from './useLink.ts'

/** Adds a person and makes their link in one go. */
const emit = defineEmits<{ invited: []; close: [] }>()
const { t } = useI18n()
const { issues, failure, isBusy, submit } = useForm()
const { made, make } = useLink()
const values = reactive<PersonInput>({ displayName: '', role: 'trainee' })
const invited = ref('')
let personId = uuidv7()

async function invite(): Promise<void> {
  const isDone = await submit(ENDPOINTS.putPerson.body, values, async (body) => {
    await call(ENDPOINTS.putPerson, { params: { personId }, body })
    await make(personId)
  })
  if (!isDone) return
  invited.value = values.displayName
  personId = uuidv7()
  values.displayName = ''
  emit('invited')
}
</script>

<template>
  <form class="invite" novalidate aria-labelledby="invite-title" @submit.prevent="invite">
    <h2 id="invite-title">{{ t('people.invite') }}</h2>
    <FormField v-model="values.displayName" :label="t('people.name')" :issue="issues['displayName']" />
    <RoleChoice v-model="values.role" />
    <FormFailure :says="failure" />
    <div class="actions">
      <PressButton kind="primary" type="submit" :is-busy="isBusy">{{ t('people.makeLink') }}</PressButton>
      <PressButton @click="emit('close')">{{ t('keys.close') }}</PressButton>
    </div>
    <LinkShown v-if="made" :link="made" :person="invited" />
  </form>
</template>

<style scoped>
.invite {
  display: grid;
  gap: 12px;
  padding: 16px 0 24px;
  border-block: 1px solid var(--mist);
}
h2 {
  margin: 0;
}
</style>
