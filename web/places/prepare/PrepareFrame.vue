<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { RouterLink, RouterView, useRoute } from 'vue-router'

/** Prepare with its parts beside it, in the order in which one sets a bar up. */
const { t } = useI18n()
const route = useRoute()
const PARTS = [
  { to: 'recipes', word: 'recipes', holds: ['recipe', 'new-recipe', 'compare-recipes'] },
  { to: 'coffees', word: 'coffees', holds: ['coffee', 'new-coffee'] },
  { to: 'rooms', word: 'bar', holds: ['room', 'grinder'] },
  { to: 'routines', word: 'routines', holds: ['routine'] },
  { to: 'words', word: 'words', holds: [] },
  { to: 'cautions', word: 'cautions', holds: [] },
  { to: 'files', word: 'files', holds: [] },
] as const
const isHere = ({ to, holds }: (typeof PARTS)[number]) => [to, ...holds].some((name) => name === route.name)
</script>

<template>
  <div class="frame">
    <nav :aria-label="t('prepare.parts')">
      <RouterLink
        v-for="part in PARTS"
        :key="part.to"
        :to="{ name: part.to }"
        class="part"
        :class="{ here: isHere(part) }"
        >{{ t(`prepare.${part.word}`) }}</RouterLink
      >
    </nav>
    <div class="page"><RouterView /></div>
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: 180px minmax(0, 1fr);
  gap: 24px 40px;
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px;
}
nav {
  display: grid;
  align-content: start;
}
.part {
  min-height: 44px;
  padding: 0 12px;
  display: flex;
  align-items: center;
  color: var(--ink);
  text-decoration: none;
  border-left: 3px solid var(--mist);
}
.part.here {
  border-left-color: var(--pine);
  font-weight: 700;
}
@media (max-width: 760px) {
  .frame {
    grid-template-columns: minmax(0, 1fr);
    padding: 16px;
  }
  nav {
    display: flex;
    flex-wrap: wrap;
  }
}
</style>
