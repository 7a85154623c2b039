<script setup lang="ts">
import type { Change, Recipe, ShotFacts } from '@calm-apron/core'
import { computed } from 'vue'
import { useFigureWords } from './useFigureWords.ts'

/** Ratio, flow, and what was expected against what came. */
const props = defineProps<{
  facts: ShotFacts
  recipe: Recipe
  timeS: number | null
  changed: readonly Change[] | null
}>()
const figureWords = useFigureWords()
const figures = computed(() => figureWords(props))
</script>

<template>
  <ul v-if="figures.length > 0" class="figures">
    <li v-for="each in figures" :key="each">{{ each }}</li>
  </ul>
</template>

<style scoped>
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  margin: 12px 0;
}
</style>
