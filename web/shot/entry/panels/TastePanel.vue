<script setup lang="ts">
import { TASTE_AXES } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import TasteAxisEntry from '../TasteAxisEntry.vue'
import FactFields from '../../facts/FactFields.vue'
import SignLooks from '../../facts/SignLooks.vue'
import type { FactIssues } from '../../facts/factIssues.ts'
import type { ShotDraft } from '../../draft/shotDraft.ts'

defineProps<{ issues: FactIssues }>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
</script>

<template>
  <p class="soft hint">{{ t('taste.hint') }}</p>
  <div class="axes">
    <TasteAxisEntry
      v-for="axis in TASTE_AXES"
      :key="axis"
      v-model="draft.taste[axis]"
      :label="t(`fact.${axis}.label`)"
    />
  </div>
  <SignLooks v-model="draft" step="taste" />
  <FactFields v-model="draft" step="taste" place="first" :issues="issues" />
  <p class="soft hint">{{ t('taste.caffeine') }}</p>
</template>

<style scoped>
.axes {
  display: grid;
  gap: 8px;
}
.hint {
  font-size: 0.8em;
}
</style>
