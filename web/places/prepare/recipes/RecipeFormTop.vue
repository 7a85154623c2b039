<script setup lang="ts">
import { type BasketContent, type Prepared, recipeContent } from '@calm-apron/contract'
import { checkRecipe } from '@calm-apron/core'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import RecipeAmounts from './RecipeAmounts.vue'
import RecipeRails from './RecipeRails.vue'
import { recipeDraftOf } from './recipeDraft.ts'
import { useRecipeWords } from './useRecipeWords.ts'

/** What stands above a recipe's form: its rails as they would be, where its parts disagree, and its amounts. */
const props = defineProps<{
  draft: Record<string, unknown>
  issues: Record<string, string>
  baskets: readonly Prepared<'basket'>[]
}>()
const emit = defineEmits<{ change: [parts: Record<string, unknown>] }>()
const { t } = useI18n()
const words = useRecipeWords()

const isRecord = (some: unknown): some is Record<string, unknown> => typeof some === 'object' && some !== null
const targets = computed(() => (isRecord(props.draft['targets']) ? props.draft['targets'] : {}))
const ratio = ref(ratioNow())
function ratioNow(): number | null {
  const { doseG, yieldG } = targets.value
  return typeof doseG === 'number' && typeof yieldG === 'number' && doseG > 0
    ? Math.round((yieldG / doseG) * 1000) / 1000
    : null
}

const nominalOf = (basketId: string): number | null => {
  const found = props.baskets.find(({ preparedId }) => preparedId === basketId)
  const content: BasketContent | undefined = found?.content
  return content?.nominalG ?? null
}
const disagreements = computed(() =>
  checkRecipe(recipeDraftOf(props.draft, ratio.value, nominalOf)).map(words.disagreement),
)
/** Drawn once the whole of it can be read. */
const readable = computed(() => {
  const parsed = recipeContent.pick({ targets: true, method: true }).strip().safeParse(props.draft)
  return parsed.success ? parsed.data : null
})
</script>

<template>
  <div class="top">
    <RecipeRails v-if="readable" :recipe="readable" />
    <div class="checks" role="status" :aria-label="t('recipeCheck.title')">
      <p v-for="says in disagreements" :key="says" class="check">{{ says }}</p>
    </div>
    <RecipeAmounts
      v-model:ratio="ratio"
      :targets="targets"
      :issues="issues"
      @change="emit('change', { targets: $event })"
    />
  </div>
</template>

<style scoped>
.top {
  display: grid;
  gap: 16px;
}
.checks {
  display: grid;
  gap: 4px;
}
.check {
  margin: 0;
  padding: 8px 12px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
}
</style>
