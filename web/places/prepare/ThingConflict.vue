<script setup lang="ts">
import { kindOf, type PreparedKind, type PreparedRecord } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { fieldsOf } from './fields/fieldSpec.ts'
import { type NameOf, useFieldWords } from './fields/useFieldWords.ts'

/** Two trainers changed one thing: what each of them made of it, and the choice. */
const props = defineProps<{
  kind: PreparedKind
  before: Record<string, unknown>
  theirs: PreparedRecord
  yours: Record<string, unknown>
  nameOf: NameOf
}>()
const emit = defineEmits<{ takeTheirs: []; keepYours: [] }>()
const { t } = useI18n()
const academy = useAcademy()
const words = useFieldWords(props.kind, props.nameOf)
const fields = fieldsOf(kindOf(props.kind).content)

const who = computed(() =>
  props.theirs.changedBy === null ? t('prepared.somebody') : academy.personName(props.theirs.changedBy),
)
const sides = computed(() => [
  {
    title: t('prepared.theirs', { who: who.value }),
    lines: words.changes(fields, props.before, props.theirs.content),
  },
  { title: t('prepared.yours'), lines: words.changes(fields, props.before, props.yours) },
])
</script>

<template>
  <section class="conflict" role="alert" :aria-label="t('prepared.conflictTitle')">
    <p>
      <strong>{{ t('prepared.conflict', { who }) }}</strong>
    </p>
    <div class="sides">
      <div v-for="side in sides" :key="side.title">
        <h3>{{ side.title }}</h3>
        <ul>
          <li v-for="line in side.lines" :key="line">{{ line }}</li>
          <li v-if="side.lines.length === 0">{{ t('prepared.nothingChanged') }}</li>
        </ul>
      </div>
    </div>
    <div class="actions">
      <PressButton kind="primary" @click="emit('takeTheirs')">{{ t('prepared.takeTheirs') }}</PressButton>
      <PressButton @click="emit('keepYours')">{{ t('prepared.keepYours') }}</PressButton>
    </div>
  </section>
</template>

<style scoped>
.conflict {
  padding: 16px;
  border-radius: 8px;
  background: var(--ochre-soft);
}
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 16px;
  margin-bottom: 12px;
}
</style>
