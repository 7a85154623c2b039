<script setup lang="ts">
import { ENDPOINTS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import { sessionsAsked } from '../../data/queries/questions.ts'
import { useAnswer } from '../../data/queries/useAnswer.ts'
import { useSignOut } from '../../data/door/useSignOut.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { deviceName } from './deviceName.ts'

/** Where one is signed in, each to be ended. */
const props = defineProps<{ timeZone: string }>()
const { t } = useI18n()
const format = useFormat()
const { failure, submit } = useForm()
const { failure: leaveFailure, signOut } = useSignOut()
const { value: told, load } = useAnswer(sessionsAsked)
const sessions = computed(() => told.value?.sessions ?? [])
const hasEnded = ref(false)

const rows = computed(() =>
  sessions.value.map(({ sessionId, device, kind, lastUsedAt, isThisOne }) => ({
    sessionId,
    isThisOne,
    kind: t(`you.kind.${kind}`),
    says: t('you.session', {
      device: deviceName(device),
      date: format.dateOf(lastUsedAt, props.timeZone),
      time: format.timeOf(lastUsedAt, props.timeZone),
    }),
  })),
)

async function end(sessionId: string): Promise<void> {
  hasEnded.value = await submit(ENDPOINTS.endSession.params, { sessionId }, (params) =>
    call(ENDPOINTS.endSession, { params }),
  )
  if (hasEnded.value) await load()
}
</script>

<template>
  <section aria-labelledby="sessions-title">
    <h2 id="sessions-title">{{ t('you.sessionsTitle') }}</h2>
    <ul>
      <li v-for="row in rows" :key="row.sessionId" class="row">
        <span> {{ row.says }} <span class="soft">{{ row.kind }}</span> </span>
        <strong v-if="row.isThisOne">{{ t('you.thisOne') }}</strong>
        <PressButton v-else @click="end(row.sessionId)">{{ t('you.end') }}</PressButton>
      </li>
    </ul>
    <p v-if="hasEnded" role="status">{{ t('you.ended') }}</p>
    <FormFailure :says="failure || leaveFailure" />
    <PressButton @click="signOut('everywhere')">{{ t('you.everywhere') }}</PressButton>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  min-height: 52px;
  border-bottom: 1px solid var(--mist);
}
section {
  display: grid;
  gap: 12px;
  justify-items: start;
}
ul {
  width: 100%;
}
p,
h2 {
  margin: 0;
}
</style>
