<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useOutbox } from '../store/outbox.ts'

const { t } = useI18n()
const outbox = useOutbox()
const places = ['today', 'bar', 'progress', 'settings'] as const
</script>

<template>
  <header class="top">
    <RouterLink :to="{ name: 'today' }" class="brand">{{ t('app.name') }}</RouterLink>
    <nav :aria-label="t('app.places')">
      <RouterLink v-for="place in places" :key="place" :to="{ name: place }" class="place">{{
        t(`place.${place}`)
      }}</RouterLink>
    </nav>
    <RouterLink
      v-if="outbox.writes.length > 0"
      :to="{ name: 'waiting' }"
      class="waiting"
      :class="{ refused: outbox.refused.length > 0 }"
    >
      {{
        outbox.refused.length > 0
          ? t('app.refused', outbox.refused.length)
          : t('app.waiting', outbox.waiting.length)
      }}
    </RouterLink>
  </header>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 24px;
  padding: 0 24px;
  border-bottom: 1px solid var(--mist);
}
.brand {
  font-weight: 700;
  color: var(--pine);
  text-decoration: none;
}
nav {
  display: flex;
  gap: 4px;
}
.place,
.brand,
.waiting {
  min-height: 52px;
  display: inline-flex;
  align-items: center;
}
.place {
  padding: 0 12px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 3px solid transparent;
}
.place.router-link-active {
  border-bottom-color: var(--pine);
  font-weight: 700;
}
.waiting {
  margin-left: auto;
  padding: 0 12px;
  color: var(--ochre);
  font-weight: 650;
}
.waiting.refused {
  color: var(--plum);
}
@media (max-width: 600px) {
  .top {
    flex-wrap: wrap;
    gap: 0 12px;
    padding: 0 8px;
  }
  .brand {
    display: none;
  }
}
</style>
