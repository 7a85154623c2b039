<script setup lang="ts">
import type { AssessmentEvent } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** What happened in an assessment, oldest first, with what was written; a taster's cups are told with the parts. */
const props = defineProps<{ events: readonly AssessmentEvent[] }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()

const rows = computed(() =>
  props.events.map(({ eventId, by, at, happening, text }) => ({
    eventId,
    says: `${format.momentOf(at, academy.timeZone)}: ${academy.personName(by) || t('app.someoneErased')} ${t(`signOff.happened.${happening.kind}`)}`,
    text,
    outcomes:
      'outcomes' in happening
        ? happening.outcomes
            .map(({ part, result }) => `${t(`signOff.part.${part}`)}: ${t(`signOff.result.${result}`)}`)
            .join(', ')
        : '',
  })),
)
</script>

<template>
  <section aria-labelledby="happened">
    <h2 id="happened">{{ t('signOff.page.happened') }}</h2>
    <ol>
      <li v-for="row in rows" :key="row.eventId">
        {{ row.says }}<template v-if="row.outcomes">: {{ row.outcomes }}</template>
        <q v-if="row.text">{{ row.text }}</q>
      </li>
    </ol>
  </section>
</template>

<style scoped>
h2 {
  margin: 0;
}
ol {
  display: grid;
  gap: 8px;
  padding: 0;
  margin: 8px 0 0;
}
q {
  display: block;
  padding-left: 12px;
  border-left: 3px solid var(--mist);
}
</style>
