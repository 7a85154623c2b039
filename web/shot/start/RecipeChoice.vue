<script setup lang="ts">
import { useId } from 'vue'

defineProps<{
  label: string
  recipes: readonly { id: string; name: string; targets: string; window: string }[]
}>()
const chosen = defineModel<string>({ required: true })
const group = useId()
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <div class="cards">
      <label
        v-for="recipe in recipes"
        :key="recipe.id"
        class="card"
        :class="{ chosen: chosen === recipe.id }"
      >
        <input v-model="chosen" type="radio" class="covers-label" :name="group" :value="recipe.id" />
        <strong>{{ recipe.name }}</strong>
        <span>{{ recipe.targets }}</span>
        <span>{{ recipe.window }}</span>
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 12px;
}
.card {
  position: relative;
  display: grid;
  gap: 2px;
  padding: 12px 16px;
  border: 2px solid var(--edge);
  border-radius: 8px;
  background: var(--raised);
  cursor: pointer;
}
.card.chosen {
  border-color: var(--pine);
  background: var(--pine-soft);
}
.card:has(:focus-visible) {
  outline: 3px solid var(--cornflower);
  outline-offset: 2px;
}
strong {
  font-size: 1.125rem;
}
</style>
