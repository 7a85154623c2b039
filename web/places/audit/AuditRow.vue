<script setup lang="ts">
import type { AuditEntry } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useTraceWords } from './useTraceWords.ts'

const props = defineProps<{ entry: AuditEntry }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const { lines } = useTraceWords()

const OF_A_SHOT: ReadonlySet<string> = new Set<AuditEntry['kind']>([
  'shot-recorded',
  'shot-corrected',
  'call-made',
  'slip-filled',
  'slip-corrected',
  'slip-skipped',
])
/** A name of someone, of someone erased, or of the command line. */
const nameOf = (id: string | null, name: string | null) =>
  id === null ? t('audit.server') : name === null || name === '' ? t('audit.nobody') : name

const says = computed(() => {
  const { actorId, actorName, personId, personName, kind } = props.entry
  const parts = { who: nameOf(actorId, actorName), what: t(`audit.kind.${kind}`) }
  return personId === null || personId === actorId
    ? t('audit.line', parts)
    : t('audit.lineAbout', { ...parts, about: nameOf(personId, personName) })
})
const when = computed(() => {
  const { at } = props.entry
  return format.momentOf(at, academy.timeZone)
})
const changed = computed(() => lines(props.entry))
const shotId = computed(() => (OF_A_SHOT.has(props.entry.kind) ? props.entry.subjectId : null))
</script>

<template>
  <li class="row">
    <time class="soft" :datetime="entry.at">{{ when }}</time>
    <div>
      <p>
        {{ says }}
        <RouterLink v-if="shotId" :to="{ name: 'reading', params: { shotId } }">{{
          t('audit.openShot')
        }}</RouterLink>
      </p>
      <p v-for="line in changed" :key="line" class="figure change">{{ line }}</p>
      <p v-if="entry.why" class="soft">{{ t('audit.why', { why: entry.why }) }}</p>
    </div>
  </li>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 160px minmax(0, 1fr);
  gap: 4px 24px;
  padding: 12px 0;
  border-bottom: 1px solid var(--mist);
}
p {
  margin: 0;
}
.change {
  font-size: 0.9em;
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
