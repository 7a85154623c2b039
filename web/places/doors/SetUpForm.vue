<script setup lang="ts">
import { BOUNDS, ENDPOINTS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { v7 as uuidv7 } from 'uuid'
import { reactive } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import PasswordField from '../../kit/forms/PasswordField.vue'
import TimeZoneField from '../../kit/forms/TimeZoneField.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import { useDoor } from '../../data/door/door.ts'

const props = defineProps<{
  /** Called at once when the head has come in; this form may be gone by then. */
  whenIn?: () => void
}>()
const { t } = useI18n()
const door = useDoor()
const { issues, failure, isBusy, submit } = useForm()
const values = reactive({
  code: '',
  academy: {
    academyId: uuidv7(),
    name: '',
    town: '',
    timeZone: new Intl.DateTimeFormat().resolvedOptions().timeZone,
  },
  head: { personId: uuidv7(), displayName: '', signInName: '', password: '' },
})

async function make(): Promise<void> {
  const isMade = await submit(ENDPOINTS.setUp.body, values, async (body) =>
    door.comeIn(await call(ENDPOINTS.setUp, { body })),
  )
  if (isMade) props.whenIn?.()
}
</script>

<template>
  <form class="set-up" novalidate @submit.prevent="make">
    <header>
      <h1 tabindex="-1">{{ t('setUp.title') }}</h1>
      <p class="soft">{{ t('setUp.intro') }}</p>
    </header>
    <section aria-labelledby="the-academy">
      <h2 id="the-academy">{{ t('place.academy') }}</h2>
      <FormField
        v-model="values.code"
        :label="t('setUp.code')"
        :hint="t('setUp.codeHint')"
        :issue="issues['code']"
      />
      <FormField
        v-model="values.academy.name"
        :label="t('setUp.academy')"
        autocomplete="organization"
        :issue="issues['academy.name']"
      />
      <FormField v-model="values.academy.town" :label="t('setUp.town')" :issue="issues['academy.town']" />
      <TimeZoneField v-model="values.academy.timeZone" :issue="issues['academy.timeZone']" />
    </section>
    <section aria-labelledby="the-head">
      <h2 id="the-head">{{ t('setUp.you') }}</h2>
      <FormField
        v-model="values.head.displayName"
        :label="t('setUp.name')"
        autocomplete="name"
        :issue="issues['head.displayName']"
      />
      <FormField
        v-model="values.head.signInName"
        :label="t('door.signInName')"
        :hint="t('door.signInNameHint')"
        autocomplete="username"
        inputmode="email"
        :issue="issues['head.signInName']"
      />
      <PasswordField
        v-model="values.head.password"
        :label="t('door.password')"
        :hint="t('door.passwordHint', { min: BOUNDS.passwordLength.min })"
        autocomplete="new-password"
        :issue="issues['head.password']"
      />
    </section>
    <footer>
      <FormFailure :says="failure" />
      <PressButton kind="primary" is-large type="submit" :is-busy="isBusy">{{ t('setUp.make') }}</PressButton>
    </footer>
  </form>
</template>

<style scoped>
.set-up {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 24px 56px;
  max-width: 1080px;
  margin: 0 auto;
  padding: 24px;
}
header,
footer {
  grid-column: 1 / -1;
}
section,
footer {
  display: grid;
  gap: 12px;
  align-content: start;
  justify-items: start;
}
section > * {
  width: 100%;
}
@media (max-width: 760px) {
  .set-up {
    grid-template-columns: minmax(0, 1fr);
    padding: 16px;
  }
}
</style>
