<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import type { UnsentWrite } from '../../data/device/deviceDatabase.ts'
import { useDoor } from '../../data/door/door.ts'
import { useOutbox } from '../../data/outbox/outbox.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useRefused } from './useRefused.ts'

const { t } = useI18n()
const door = useDoor()
const outbox = useOutbox()
const academy = useAcademy()
const format = useFormat()
const { mend, sendAsCorrection } = useRefused()

/** When it was made, by whichever name its body calls that. */
function madeAt({ kind, body }: UnsentWrite): string {
  switch (kind) {
    case 'shot':
      return body.pulledAt
    case 'correction':
      return body.correctedAt
    case 'call':
      return body.calledAt
    case 'slip':
      return body.tastedAt
    case 'ruling':
      return body.ruledAt
    case 'repurposing':
      return body.repurposedAt
    case 'photo':
      return body.takenAt
    case 'watch':
      return body.watchedAt
    case 'training-event':
    case 'assessment-event':
      return body.at
  }
}
const whatIs = (write: UnsentWrite) =>
  t(`waiting.${write.kind}`, {
    time: format.timeOf(madeAt(write), academy.timeZone),
    ...(write.kind === 'shot' && { person: academy.personName(write.body.personId) }),
  })
const stateOf = (write: UnsentWrite) =>
  door.maySend(write)
    ? t('waiting.waiting')
    : t('waiting.forAnother', { person: academy.personName(write.author) || t('app.someoneErased') })
const rows = computed(() =>
  outbox.writes.map((write) => ({
    write,
    name: whatIs(write),
    code: write.refused?.code ?? null,
    says: write.refused
      ? t(`problem.${write.refused.code}`, {
          fields: write.refused.errors?.map((error) => `${error.path} (${error.message})`).join(', ') ?? '',
        })
      : stateOf(write),
  })),
)
</script>

<template>
  <div class="waiting">
    <h1 tabindex="-1">{{ t('waiting.title') }}</h1>
    <p v-if="rows.length === 0">{{ t('waiting.none') }}</p>
    <ul v-else>
      <li v-for="row in rows" :key="row.write.order" class="row">
        <strong>{{ row.name }}</strong>
        <p>{{ row.says }}</p>
        <div v-if="row.code" class="actions">
          <PressButton v-if="row.code === 'set-aside'" @click="outbox.remove(row.write)">{{
            t('waiting.done')
          }}</PressButton>
          <PressButton
            v-else-if="row.code === 'id-taken' && row.write.kind === 'shot'"
            kind="primary"
            @click="sendAsCorrection(row.write)"
          >
            {{ t('waiting.asCorrection') }}
          </PressButton>
          <PressButton v-else-if="row.write.kind === 'shot'" kind="primary" @click="mend(row.write)">{{
            t('waiting.mend')
          }}</PressButton>
          <RouterLink
            v-else-if="'shotId' in row.write"
            :to="{ name: 'reading', params: { shotId: row.write.shotId } }"
            >{{ t('waiting.look') }}</RouterLink
          >
          <PressButton v-if="row.code !== 'set-aside'" @click="outbox.remove(row.write)">{{
            t('waiting.drop')
          }}</PressButton>
        </div>
      </li>
    </ul>
    <PressButton v-if="outbox.waiting.length > 0" @click="outbox.send">{{ t('waiting.tryNow') }}</PressButton>
  </div>
</template>

<style scoped>
.waiting {
  max-width: 860px;
  margin: 0 auto;
  padding: 24px;
}
.row {
  padding: 12px 0;
  border-top: 1px solid var(--mist);
}
</style>
