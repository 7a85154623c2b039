<script setup lang="ts">
import { PUCKS, STREAMS } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../parts/ChoiceRow.vue'
import type { ShotDraft } from '../shotDraft.ts'

const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()

const streams = computed(() => [
  ...STREAMS.map((value) => ({ value, label: t(`stream.${value}`) })),
  { value: null, label: t('notSeen') },
])
const pucks = computed(() => [
  ...PUCKS.map((value) => ({ value, label: t(`puck.${value}`) })),
  { value: null, label: t('notSeen') },
])
</script>

<template>
  <div class="look">
    <ChoiceRow v-model="draft.look.stream" :label="t('look.stream')" :options="streams" />
    <ChoiceRow v-model="draft.look.puck" :label="t('look.puck')" :options="pucks" />
  </div>
</template>

<style scoped>
.look {
  display: grid;
  gap: 24px;
}
</style>
