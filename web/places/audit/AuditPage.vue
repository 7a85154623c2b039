<script setup lang="ts">
import { AUDIT_KINDS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, reactive } from 'vue'
import { useI18n } from 'vue-i18n'
import SelectField from '../../kit/forms/SelectField.vue'
import DateField from '../../kit/forms/DateField.vue'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import AuditRow from './AuditRow.vue'
import { NO_FILTER, type TraceFilter, useTraces } from './useTraces.ts'

/** Who changed what: to be read, never to be changed. */
const { t } = useI18n()
const academy = useAcademy()
const filter = reactive<TraceFilter>({ ...NO_FILTER })
const { entries, state, hasMore, loadMore } = useTraces(filter)

const people = computed(() => [
  { value: '', label: t('audit.anyone') },
  ...(academy.today?.people ?? [])
    .filter(({ displayName }) => displayName !== '')
    .map(({ personId, displayName }) => ({ value: personId, label: displayName })),
])
const kinds = computed(() => [
  { value: '' as const, label: t('audit.anything') },
  ...AUDIT_KINDS.map((value) => ({ value, label: t(`audit.kind.${value}`) })),
])
const isFiltered = computed(() => Object.values(filter).some((value) => value !== ''))
</script>

<template>
  <div class="audit">
    <header>
      <h1 tabindex="-1">{{ t('audit.title') }}</h1>
      <p class="soft">{{ t('audit.intro') }}</p>
    </header>
    <div class="filter">
      <SelectField v-model="filter.actorId" :label="t('audit.who')" :options="people" />
      <SelectField v-model="filter.kind" :label="t('audit.what')" :options="kinds" />
      <SelectField v-model="filter.personId" :label="t('audit.about')" :options="people" />
      <DateField v-model="filter.from" :label="t('audit.from')" />
      <DateField v-model="filter.until" :label="t('audit.until')" />
      <PressButton v-if="isFiltered" @click="Object.assign(filter, NO_FILTER)">{{
        t('audit.clear')
      }}</PressButton>
    </div>
    <EmptyPlace v-if="state === 'unreachable'" :says="t('audit.offline')" />
    <EmptyPlace v-else-if="state === 'looking'" :says="t('app.loading')" />
    <EmptyPlace v-else-if="entries.length === 0" :says="t('audit.none')" />
    <ol v-else>
      <AuditRow v-for="entry in entries" :key="entry.auditId" :entry="entry" />
    </ol>
    <div v-if="hasMore">
      <PressButton @click="loadMore">{{ t('audit.more') }}</PressButton>
    </div>
  </div>
</template>

<style scoped>
.audit {
  display: grid;
  gap: 16px;
}
header p {
  margin: 0;
}
.filter {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 12px;
  align-items: end;
}
</style>
