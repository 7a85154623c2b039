<script setup lang="ts">
import { TASTE_AXES } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { useDoor } from '../../../data/door/door.ts'
import { useAcademy } from '../../../data/academy/academy.ts'
import TasteAxisEntry from '../TasteAxisEntry.vue'
import TasterNote from '../../tasting/TasterNote.vue'
import { useTastingWords } from '../../tasting/useTastingWords.ts'
import FactFields from '../../facts/FactFields.vue'
import SignLooks from '../../facts/SignLooks.vue'
import type { FactIssues } from '../../facts/factIssues.ts'
import type { ShotDraft } from '../../draft/shotDraft.ts'

defineProps<{ issues: FactIssues }>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const academy = useAcademy()
// Whoever is signed in judges, and is said to have tasted.
const door = useDoor()
/** Beside the tasting, so that it can be held against them. */
const says = useTastingWords(() => ({
  bagId: draft.value.bagId,
  recipeWords: academy.recipe(draft.value.recipeRevisionId)?.tastingWords ?? null,
}))
</script>

<template>
  <p class="hint">{{ t('taste.by', { person: academy.personName(door.personId) }) }}</p>
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
  <p v-for="each in says" :key="each" class="soft">{{ each }}</p>
  <FactFields v-model="draft" step="taste" place="first" :issues="issues" />
  <FactFields v-model="draft" step="taste" place="more" :issues="issues" />
  <TasterNote class="hint" :person-id="door.personId" />
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
