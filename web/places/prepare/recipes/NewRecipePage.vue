<script setup lang="ts">
import { preparedInput, type RecipeContent } from '@calm-apron/contract'
import { PRESET_RECIPES, RECIPE_PRESETS, type RecipePresetKey } from '@calm-apron/core'
import { v7 as uuidv7 } from 'uuid'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRouter } from 'vue-router'
import PresetCards from '../../../kit/parts/PresetCards.vue'
import { useAcademy } from '../../../data/academy/academy.ts'
import ThingForm from '../ThingForm.vue'
import { makeThing } from '../useThing.ts'
import RecipeFormTop from './RecipeFormTop.vue'
import { SHOWN_ABOVE } from './recipeForm.ts'
import { useNamedByRecipe } from './useNamedByRecipe.ts'
import { useRecipeWords } from './useRecipeWords.ts'

/** A new recipe begins with the school it follows. */
const { t } = useI18n()
const router = useRouter()
const academy = useAcademy()
const words = useRecipeWords()
/** A school chosen before they are known waits, or its recipe would begin without a basket. */
const { baskets, isAsked, choices } = useNamedByRecipe()
const school = ref<RecipePresetKey | null>(null)
const preparedId = uuidv7()

const presets = RECIPE_PRESETS.map((key) => ({
  key,
  name: t(`recipePreset.${key}.name`),
  says: t(`recipePreset.${key}.says`),
  details: [words.amounts(contentOf(key)), words.window(contentOf(key))],
}))
const start = computed(() => (school.value === null || !isAsked.value ? null : contentOf(school.value)))

function contentOf(key: RecipePresetKey): RecipeContent {
  const { targets, method, basketSize } = PRESET_RECIPES[key]
  const fits = ({ content }: (typeof baskets.value)[number]) =>
    content.size === basketSize && Math.abs(content.nominalG - targets.doseG) <= 1
  return {
    name: t(`recipePreset.${key}.name`),
    targets: { ...targets, school: { ...targets.school, onlyRecorded: [...targets.school.onlyRecorded] } },
    method: { ...method, basketId: baskets.value.find(fits)?.preparedId ?? null },
    drink: '',
    tastingWords: '',
    note: '',
    coffeeId: null,
  }
}

async function store(content: Record<string, unknown>): Promise<void> {
  await makeThing(preparedInput.parse({ kind: 'recipe', parentId: null, content }), preparedId)
  await academy.load()
  await router.push({ name: 'recipe', params: { preparedId } })
}
</script>

<template>
  <div class="stack">
    <RouterLink :to="{ name: 'recipes' }">{{ t('prepare.allRecipes') }}</RouterLink>
    <h1 tabindex="-1">{{ t('prepare.newRecipe') }}</h1>
    <template v-if="start === null">
      <p>{{ t('prepare.chooseSchool') }}</p>
      <PresetCards :presets="presets" @choose="school = $event" />
    </template>
    <ThingForm
      v-else
      kind="recipe"
      :start="start"
      :store="store"
      :save-label="t('prepare.makeRecipe')"
      :choices="choices"
      :omitted="SHOWN_ABOVE"
      @close="school = null"
    >
      <template #top="{ draft, issues, change }">
        <RecipeFormTop :draft="draft" :issues="issues" :baskets="baskets" @change="change" />
      </template>
    </ThingForm>
  </div>
</template>
