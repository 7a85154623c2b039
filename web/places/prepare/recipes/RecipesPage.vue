<script setup lang="ts">
import PressButton from '../../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import EmptyPlace from '../../../kit/parts/EmptyPlace.vue'
import { useDoor } from '../../../data/door/door.ts'
import ListHead from '../../../kit/parts/ListHead.vue'
import { usePreparedList } from '../usePreparedList.ts'
import { useRecipeWords } from './useRecipeWords.ts'

const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const words = useRecipeWords()
const { things, hasMore, search, isArchived, state, loadMore } = usePreparedList('recipe')
/** Those ticked for standing side by side. */
const compared = ref<string[]>([])

const rows = computed(() =>
  things.value.map((recipe) => ({
    id: recipe.preparedId,
    name: recipe.content.name,
    amounts: words.amounts(recipe.content),
    window: words.window(recipe.content),
    drink: recipe.content.drink,
  })),
)
const compare = () =>
  router.push({ name: 'compare-recipes', query: { a: compared.value[0], b: compared.value[1] } })
</script>

<template>
  <div class="stack">
    <ListHead
      v-model:search="search"
      v-model:is-archived="isArchived"
      can-search
      :title="t('prepare.recipes')"
      :intro="t('prepare.recipesIntro')"
    >
      <RouterLink v-if="door.may('prepare')" class="press" :to="{ name: 'new-recipe' }">{{
        t('prepare.newRecipe')
      }}</RouterLink>
      <PressButton :disabled="compared.length !== 2" @click="compare">{{ t('prepare.compare') }}</PressButton>
    </ListHead>
    <EmptyPlace v-if="state === 'unreachable'" :says="t('prepared.offline')" />
    <EmptyPlace
      v-else-if="state === 'here' && rows.length === 0"
      :says="search ? t('prepared.nothingFound', { search }) : t('prepare.noRecipes')"
    />
    <ul class="rows">
      <li v-for="row in rows" :key="row.id" class="row">
        <label class="tick" :title="t('prepare.tickToCompare')">
          <input
            v-model="compared"
            type="checkbox"
            :value="row.id"
            :disabled="compared.length >= 2 && !compared.includes(row.id)"
          />
          <span class="visually-hidden">{{ t('prepare.compareThis', { name: row.name }) }}</span>
        </label>
        <RouterLink class="name" :to="{ name: 'recipe', params: { preparedId: row.id } }">{{
          row.name
        }}</RouterLink>
        <span>{{ row.amounts }}</span>
        <span>{{ row.window }}</span>
        <span class="soft drink">{{ row.drink }}</span>
      </li>
    </ul>
    <div>
      <PressButton v-if="hasMore" @click="loadMore()">{{ t('prepared.more') }}</PressButton>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 44px minmax(140px, 1fr) minmax(0, 1.7fr) minmax(0, 1.6fr) minmax(0, 1.4fr);
  gap: 4px 16px;
  align-items: center;
  min-height: 52px;
  border-bottom: 1px solid var(--mist);
}
.tick {
  display: grid;
  place-items: center;
  min-height: 44px;
}
.tick input {
  width: 20px;
  height: 20px;
  accent-color: var(--pine);
}
.name {
  font-weight: 650;
  display: flex;
  align-items: center;
  min-height: 44px;
}
@media (max-width: 800px) {
  .row {
    grid-template-columns: 44px minmax(0, 1fr);
    padding-bottom: 8px;
  }
  .row > :nth-child(n + 3) {
    grid-column: 2;
  }
}
</style>
