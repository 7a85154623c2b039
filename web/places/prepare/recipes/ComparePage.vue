<script setup lang="ts">
import { KINDS } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { allAsked } from '../../../data/queries/preparedQuestions.ts'
import { useAnswer } from '../../../data/queries/useAnswer.ts'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import { fieldsOf } from '../fields/fieldSpec.ts'
import { useFieldWords } from '../fields/useFieldWords.ts'
import RecipeRails from './RecipeRails.vue'
import { useNamedByRecipe } from './useNamedByRecipe.ts'

/** Any two recipes side by side: their rails, then where they differ. */
const props = defineProps<{ a: string; b: string }>()
const { t } = useI18n()
const { nameOf } = useNamedByRecipe()
const answer = useAnswer(() => allAsked('recipe'))
const recipes = computed(() => answer.value.value ?? [])
const fields = fieldsOf(KINDS.recipe.content)

const two = computed(() =>
  [props.a, props.b].flatMap((id) => recipes.value.find(({ preparedId }) => preparedId === id) ?? []),
)
const words = useFieldWords('recipe', (id) => nameOf(id))
const rows = computed(() => {
  const [a, b] = two.value
  if (!a || !b) return []
  const others = new Map(words.facts(fields, b.content).map(({ path, value }) => [path, value]))
  return words
    .facts(fields, a.content)
    .map(({ path, label, value }) => ({
      path,
      label,
      a: value,
      b: others.get(path) ?? t('prepared.notSaid'),
    }))
    .filter((row) => row.a !== row.b && row.path !== 'name')
})
</script>

<template>
  <div class="stack">
    <RouterLink :to="{ name: 'recipes' }">{{ t('prepare.allRecipes') }}</RouterLink>
    <h1 tabindex="-1">{{ t('prepare.sideBySide') }}</h1>
    <EmptyPlace v-if="two.length < 2" :says="t('prepare.tickToCompare')" />
    <template v-else>
      <div class="two">
        <section v-for="recipe in two" :key="recipe.preparedId" :aria-label="recipe.content.name">
          <h2>{{ recipe.content.name }}</h2>
          <RecipeRails :recipe="recipe.content" />
        </section>
      </div>
      <h2>{{ t('prepare.differences') }}</h2>
      <table>
        <thead>
          <tr>
            <td></td>
            <th v-for="recipe in two" :key="recipe.preparedId" scope="col">{{ recipe.content.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.path">
            <th scope="row">{{ row.label }}</th>
            <td>{{ row.a }}</td>
            <td>{{ row.b }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(360px, 1fr));
  gap: 32px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  padding: 8px 12px;
  text-align: left;
  border-bottom: 1px solid var(--mist);
  vertical-align: top;
}
@media (max-width: 600px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
