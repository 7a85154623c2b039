<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useDoor } from '../../data/door/door.ts'
import PersonButtons from './PersonButtons.vue'

/** Without network nobody can be checked: someone else may go on, and what they enter is marked so. */
const emit = defineEmits<{ in: [] }>()
const { t } = useI18n()
const door = useDoor()

const people = computed(() =>
  door.devicePeople
    .filter(({ personId }) => personId !== door.personId)
    .map(({ personId, displayName }) => ({
      id: personId,
      name: displayName,
      note: '',
      says: t('door.goOnAs', { person: displayName }),
    })),
)

async function goOnAs(personId: string): Promise<void> {
  await door.claim(personId)
  emit('in')
}
</script>

<template>
  <section :aria-label="t('door.handTo')">
    <h2>{{ t('door.handTo') }}</h2>
    <p>{{ t('door.offlineSwitch') }}</p>
    <PersonButtons :people="people" @choose="goOnAs" />
  </section>
</template>
