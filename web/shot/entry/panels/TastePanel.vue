<script setup lang="ts">
import { TASTE_AXES } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../../data/academy/academy.ts'
import TasteAxisEntry from '../TasteAxisEntry.vue'
import FactFields from '../../facts/FactFields.vue'
import SignLooks from '../../facts/SignLooks.vue'
import type { FactIssues } from '../../facts/factIssues.ts'
import type { ShotDraft } from '../../draft/shotDraft.ts'

defineProps<{ issues: FactIssues }>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const academy = useAcademy()
/** Beside the tasting, so that it can be held against it. */
const bagWords = computed(() => academy.coffeeOfBag(draft.value.bagId)?.bagWords ?? '')
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
  <p v-if="bagWords" class="soft">{{ t('taste.bagSays', { words: bagWords }) }}</p>
  <FactFields v-model="draft" step="taste" place="first" :issues="issues" />
  <FactFields v-model="draft" step="taste" place="more" :issues="issues" />
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
