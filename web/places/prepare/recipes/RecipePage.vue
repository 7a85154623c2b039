<script setup lang="ts">
import { type PreparedRecord, recipeContent } from '@calm-apron/contract'
import { checkRecipe } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import ThingCard from '../ThingCard.vue'
import { useFound } from '../useFound.ts'
import RecipeFormTop from './RecipeFormTop.vue'
import RecipeRails from './RecipeRails.vue'
import { recipeDraftOf } from './recipeDraft.ts'
import { SHOWN_ABOVE } from './recipeForm.ts'
import { useNamedByRecipe } from './useNamedByRecipe.ts'
import { useRecipeWords } from './useRecipeWords.ts'

const props = defineProps<{ preparedId: string }>()
const { t } = useI18n()
const router = useRouter()
const words = useRecipeWords()
const { baskets, choices, nameOf } = useNamedByRecipe()
const { found, state } = useFound(() => props.preparedId)

const shown = (record: PreparedRecord) => recipeContent.parse(record.content)
const nominalOf = computed(
  () => (id: string) => baskets.value.find(({ preparedId }) => preparedId === id)?.content.nominalG ?? null,
)
const checks = (record: PreparedRecord) =>
  checkRecipe(recipeDraftOf(record.content, null, nominalOf.value)).map(words.disagreement)
const facts = (record: PreparedRecord) => {
  const { method, coffeeId, drink, tastingWords, note } = shown(record)
  return [
    {
      name: t('prepared.label.basketId'),
      says: method.basketId ? nameOf(method.basketId) : t('prepared.notSaid'),
    },
    ...(coffeeId === null ? [] : [{ name: t('prepared.label.coffeeId'), says: nameOf(coffeeId) }]),
    { name: t('prepared.label.doseBy'), says: t(`prepared.option.doseBy.${method.doseBy}`) },
    { name: t('prepared.label.drink'), says: drink },
    { name: t('prepared.label.tastingWords'), says: tastingWords },
    { name: t('prepared.label.note'), says: note },
  ].filter(({ says }) => says !== '')
}
const toCopy = ({ preparedId }: PreparedRecord) => router.push({ name: 'recipe', params: { preparedId } })
</script>

<template>
  <EmptyPlace v-if="state !== 'here'" :says="t(`prepared.${state}`)" />
  <div v-else-if="found" class="stack">
    <RouterLink :to="{ name: 'recipes' }">{{ t('prepare.allRecipes') }}</RouterLink>
    <h1 tabindex="-1" class="visually-hidden">{{ t('place.recipe') }}</h1>
    <ThingCard
      :key="preparedId"
      :found="found"
      :choices="choices"
      :omitted="SHOWN_ABOVE"
      :name-of="nameOf"
      @copied="toCopy"
    >
      <template #default="{ record }">
        <p class="amounts">{{ words.amounts(shown(record)) }}</p>
        <RecipeRails :recipe="shown(record)" />
        <p v-for="says in checks(record)" :key="says" class="check">{{ says }}</p>
        <dl class="facts">
          <div v-for="fact in facts(record)" :key="fact.name">
            <dt>{{ fact.name }}</dt>
            <dd>{{ fact.says }}</dd>
          </div>
        </dl>
      </template>
      <template #form-top="{ draft, issues, change }">
        <RecipeFormTop :draft="draft" :issues="issues" :baskets="baskets" @change="change" />
      </template>
    </ThingCard>
  </div>
</template>

<style scoped>
.amounts {
  font-size: 1.25rem;
  margin: 0;
}
.check {
  margin: 0;
  padding: 8px 12px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
}
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px 24px;
  margin: 0;
}
dt {
  font-size: 0.875rem;
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
</style>
