<script setup lang="ts">
import type { RecipeRevision, TodayBasket, TodayGrinder } from '@calm-apron/contract'
import { isLookedAt } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import NumberEntry from '../../../kit/parts/NumberEntry.vue'
import SignLooks from '../../facts/SignLooks.vue'
import type { ShotDraft } from '../../draft/shotDraft.ts'
import FactFields from '../../facts/FactFields.vue'
import type { FactIssues } from '../../facts/factIssues.ts'
import GrindSettingField from '../GrindSettingField.vue'
import { useReadyNotes } from '../useReadyNotes.ts'

const props = defineProps<{
  recipe: Pick<RecipeRevision, 'targets' | 'method' | 'coffeeId'> | null
  grinder: TodayGrinder | null
  basket: TodayBasket | null
  issues: FactIssues
}>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()

const notes = useReadyNotes(() => ({ ...props, draft: draft.value }))
</script>

<template>
  <div class="ready">
    <p v-for="note in notes" :key="note" class="note" role="note">{{ note }}</p>
    <FactFields v-model="draft" step="ready" place="first" :issues="issues" />
    <GrindSettingField
      v-if="isLookedAt(draft.focus, 'time')"
      v-model="draft.texts.grindSetting"
      :grinder="grinder"
      :issue="issues('grindSetting')"
    />
    <details>
      <summary>{{ t('ready.more') }}</summary>
      <SignLooks v-model="draft" step="ready" />
      <NumberEntry
        v-if="isLookedAt(draft.focus, 'time')"
        v-model="draft.texts.predictedS"
        :label="t('ready.prediction')"
        :suffix="t('unit.s')"
        :issue="issues('predictedS')"
      />
      <FactFields v-model="draft" step="ready" place="more" :issues="issues" />
    </details>
  </div>
</template>

<style scoped>
.ready {
  display: grid;
  gap: 12px;
}
.note {
  margin: 0;
  padding: 8px 16px;
  border-left: 6px solid var(--ochre);
  background: var(--ochre-soft);
}
</style>
