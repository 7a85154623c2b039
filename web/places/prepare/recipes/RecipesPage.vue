<script setup lang="ts">
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import { useDoor } from '../../../data/door/door.ts'
import PressButton from '../../../kit/parts/PressButton.vue'
import PreparedList from '../PreparedList.vue'
import { useRecipeWords } from './useRecipeWords.ts'

const { t } = useI18n()
const router = useRouter()
const door = useDoor()
const words = useRecipeWords()
/** Those ticked for standing side by side. */
const compared = ref<string[]>([])

const compare = () =>
  router.push({ name: 'compare-recipes', query: { a: compared.value[0], b: compared.value[1] } })
</script>

<template>
  <PreparedList
    kind="recipe"
    can-search
    :title="t('prepare.recipes')"
    :intro="t('prepare.recipesIntro')"
    :none="t('prepare.noRecipes')"
  >
    <template #actions>
      <RouterLink v-if="door.may('prepare')" class="press" :to="{ name: 'new-recipe' }">{{
        t('prepare.newRecipe')
      }}</RouterLink>
      <PressButton :disabled="compared.length !== 2" @click="compare">{{ t('prepare.compare') }}</PressButton>
    </template>
    <template #default="{ thing: { preparedId, content } }">
      <div class="recipe">
        <label class="tick" :title="t('prepare.tickToCompare')">
          <input
            v-model="compared"
            type="checkbox"
            :value="preparedId"
            :disabled="compared.length >= 2 && !compared.includes(preparedId)"
          />
          <span class="visually-hidden">{{ t('prepare.compareThis', { name: content.name }) }}</span>
        </label>
        <RouterLink class="name" :to="{ name: 'recipe', params: { preparedId } }">{{
          content.name
        }}</RouterLink>
        <span>{{ words.amounts(content) }}</span>
        <span>{{ words.window(content) }}</span>
        <span class="soft">{{ content.drink }}</span>
      </div>
    </template>
  </PreparedList>
</template>

<style scoped>
.recipe {
  display: grid;
  grid-template-columns: 44px minmax(140px, 1fr) minmax(0, 1.7fr) minmax(0, 1.6fr) minmax(0, 1.4fr);
  gap: 4px 16px;
  align-items: center;
  min-height: 52px;
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
@media (max-width: 800px) {
  .recipe {
    grid-template-columns: 44px minmax(0, 1fr);
    padding-bottom: 8px;
  }
  .recipe > :nth-child(n + 3) {
    grid-column: 2;
  }
}
</style>
