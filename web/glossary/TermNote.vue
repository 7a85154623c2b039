<script setup lang="ts">
import { ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { Term } from './terms.ts'

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
      :aria-label="t('glossary.whatIs', { term: t(`glossary.name.${term}`) })"
      :aria-expanded="isOpen"
      :aria-controls="isOpen ? id : undefined"
      @click="isOpen = !isOpen"
    >
      <span aria-hidden="true">?</span>
    </button>
    <span v-if="isOpen" :id="id" class="note" role="note">
      {{ t(`glossary.says.${term}`) }}
      <RouterLink :to="{ name: 'words', hash: `#${term}` }">{{ t('glossary.more') }}</RouterLink>
    </span>
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
.note {
  display: block;
  margin: 4px 0;
  padding: 8px 12px;
  border-left: 4px solid var(--cornflower);
  font-size: 0.9375rem;
  font-weight: 400;
  max-width: 60ch;
}
</style>
