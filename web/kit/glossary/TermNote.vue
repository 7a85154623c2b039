<script setup lang="ts">
import { defineAsyncComponent, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { withWords } from '../../words/index.ts'
import type { Term } from './terms.ts'

const TermSays = defineAsyncComponent(withWords('glossary', () => import('./TermSays.vue')))

/** A word of the craft with its explanation one tap away. */
defineProps<{ term: Term }>()
const { t } = useI18n()
const isOpen = ref(false)
const id = useId()
</script>

<template>
  <span class="term">
    <button
      type="button"
      :aria-label="t('whatIs', { term: t(`term.${term}`) })"
      :aria-expanded="isOpen"
      :aria-controls="isOpen ? id : undefined"
      @click="isOpen = !isOpen"
    >
      <span aria-hidden="true">?</span>
    </button>
    <TermSays v-if="isOpen" :id="id" :term="term" />
  </span>
</template>

<style scoped>
button {
  width: 44px;
  min-height: 44px;
  margin: -12px -8px;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
}
button span {
  display: inline-grid;
  place-items: center;
  width: 22px;
  height: 22px;
  border: 1.5px solid var(--cornflower);
  border-radius: 50%;
  color: var(--cornflower);
  font-size: 0.875rem;
  font-weight: 700;
}
</style>
