<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FormFailure from '../../kit/forms/FormFailure.vue'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { useSignOut } from '../../data/door/useSignOut.ts'

/** Signs out; with records that have not been sent it says first what becomes of them. */
const { t } = useI18n()
const door = useDoor()
const outbox = useOutbox()
const { failure, signOut } = useSignOut()
const wasAsked = ref(false)
const unsent = computed(
  () => outbox.writes.filter(({ author }) => author === door.session?.person.personId).length,
)

/** What was asked about has been sent meanwhile: then nothing is left to be asked. */
const isAsked = computed(() => wasAsked.value && unsent.value > 0)

async function leave(): Promise<void> {
  if (unsent.value > 0 && !isAsked.value) wasAsked.value = true
  else await signOut('here')
}
</script>

<template>
  <div class="out">
    <p v-if="isAsked" role="alert">{{ t('door.signOutWaiting', unsent) }}</p>
    <p v-else class="soft">{{ t('door.signOutHint') }}</p>
    <FormFailure :says="failure" />
    <PressButton is-large @click="leave">{{
      t(isAsked ? 'door.signOutAnyway' : 'door.signOut')
    }}</PressButton>
  </div>
</template>

<style scoped>
.out {
  display: grid;
  gap: 8px;
  justify-items: start;
  max-width: 420px;
}
p {
  margin: 0;
}
</style>
