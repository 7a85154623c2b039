<script setup lang="ts">
import { type DevicePerson, ENDPOINTS } from '@calm-apron/contract'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import { useDoor } from '../../data/door/door.ts'
import PersonButtons from './PersonButtons.vue'
import PinForm from './PinForm.vue'

/** Whoever has signed in on this device before comes back with a PIN. */
const props = defineProps<{
  people: readonly DevicePerson[]
  title: string
  /** Called at once when someone has come in. */
  whenIn?: () => void
}>()
const emit = defineEmits<{ password: [] }>()
const { t } = useI18n()
const door = useDoor()
const chosenId = ref<string | null>(null)
const chosen = computed(() => props.people.find(({ personId }) => personId === chosenId.value) ?? null)

const buttons = computed(() =>
  props.people.map(({ personId, displayName, hasPin }) => {
    const note = hasPin ? t('door.pin') : t('door.noPin')
    return { id: personId, name: displayName, note, says: `${displayName}, ${note}` }
  }),
)

function choose(personId: string): void {
  const hasPin = props.people.some((each) => each.personId === personId && each.hasPin)
  chosenId.value = hasPin ? personId : null
  if (!hasPin) emit('password')
}

async function comeIn(pin: string): Promise<void> {
  if (chosen.value === null) return
  const body = { personId: chosen.value.personId, pin }
  await door.comeIn(await call(ENDPOINTS.signInPin, { body }))
  props.whenIn?.()
}
</script>

<template>
  <section class="device" :aria-label="title">
    <h2>{{ title }}</h2>
    <PersonButtons :people="buttons" @choose="choose" />
    <PinForm
      v-if="chosen"
      :key="chosen.personId"
      :label="t('door.pinFor', { person: chosen.displayName })"
      :send="comeIn"
    />
  </section>
</template>

<style scoped>
.device {
  display: grid;
  gap: 16px;
}
h2 {
  margin: 0;
}
</style>
