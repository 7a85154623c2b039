<script setup lang="ts">
import { type Doors, ENDPOINTS, ROLES } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import { useDoor } from '../../data/door/door.ts'
import PersonButtons from './PersonButtons.vue'

const props = defineProps<{
  demo: NonNullable<Doors['demo']>
  /** Called at once when someone has come in. */
  whenIn?: () => void
}>()
const { t } = useI18n()
const door = useDoor()
const { failure, submit } = useForm()

const people = computed(() =>
  [...props.demo.people]
    .sort((a, b) => ROLES.indexOf(a.role) - ROLES.indexOf(b.role))
    .map(({ personId, displayName, role }) => ({
      id: personId,
      name: displayName,
      note: t(`role.${role}`),
      says: t('door.comeInAs', { person: displayName, role: t(`role.${role}`) }),
    })),
)

async function comeInAs(personId: string): Promise<void> {
  const isIn = await submit(ENDPOINTS.signInDemo.body, { personId }, async (body) =>
    door.comeIn(await call(ENDPOINTS.signInDemo, { body })),
  )
  if (isIn) props.whenIn?.()
}
</script>

<template>
  <section aria-labelledby="demo">
    <h2 id="demo">{{ t('door.demoTitle') }}</h2>
    <p>{{ t('door.demoIntro', { academy: demo.academyName }) }}</p>
    <FormFailure :says="failure" />
    <PersonButtons :people="people" @choose="comeInAs" />
  </section>
</template>
