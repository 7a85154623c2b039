<script setup lang="ts">
import { kindOf, type PreparedKind, type PreparedRevision } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { fieldsOf } from './fields/fieldSpec.ts'
import { type NameOf, useFieldWords } from './fields/useFieldWords.ts'

/** The revisions of a thing, newest first, each as what it changed. */
const props = defineProps<{
  kind: PreparedKind
  revisions: readonly PreparedRevision[]
  nameOf: NameOf
  mayChange: boolean
}>()
const emit = defineEmits<{ bringBack: [content: Record<string, unknown>] }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const words = useFieldWords(props.kind, props.nameOf)
const fields = fieldsOf(kindOf(props.kind).content)

const rows = computed(() =>
  props.revisions.map((revision, index) => {
    const earlier = props.revisions[index + 1]
    const at = format.momentOf(revision.changedAt, academy.timeZone)
    const who = revision.changedBy === null ? t('prepared.byLoading') : academy.personName(revision.changedBy)
    return {
      revision,
      title: t('prepared.revision', { no: revision.revisionNo, at, who }),
      lines: earlier
        ? words.changes(fields, earlier.content, revision.content)
        : [t('prepared.firstRevision')],
      isNewest: index === 0,
    }
  }),
)
</script>

<template>
  <ol class="history">
    <li v-for="{ revision, title, lines, isNewest } in rows" :key="revision.revisionId">
      <strong>{{ title }}</strong>
      <ul>
        <li v-for="line in lines" :key="line">{{ line }}</li>
        <li v-if="lines.length === 0">{{ t('prepared.nothingChanged') }}</li>
      </ul>
      <PressButton v-if="!isNewest && mayChange" @click="emit('bringBack', revision.content)">{{
        t('prepared.bringThisBack')
      }}</PressButton>
    </li>
  </ol>
</template>

<style scoped>
.history {
  display: grid;
  gap: 16px;
  padding: 8px 0 8px 16px;
  border-left: 3px solid var(--mist);
}
</style>
