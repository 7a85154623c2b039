<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { Term } from './terms.ts'

/** What a word of the craft means. */
defineProps<{ term: Term }>()
const { t } = useI18n()
</script>

<template>
  <span class="note" role="note">
    {{ t(`glossary.says.${term}`) }}
    <RouterLink :to="{ name: 'words', hash: `#${term}` }">{{ t('glossary.more') }}</RouterLink>
  </span>
</template>

<style scoped>
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
