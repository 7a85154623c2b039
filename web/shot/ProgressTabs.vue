<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink, useRoute } from 'vue-router'
import { useDoor } from '../data/door/door.ts'

/** The parts of Progress, above whichever is looked at: people, trainings, shots. */
const { t } = useI18n()
const route = useRoute()
const door = useDoor()

const tabs = computed(() =>
  (['progress', 'past-trainings', 'shots'] as const).map((name) => ({
    name,
    to: name === 'progress' ? { name, params: { personId: '' } } : { name },
    says: t(name === 'progress' && door.isStaff ? 'place.team' : `place.${name}`),
    isHere: route.name === name,
  })),
)
</script>

<template>
  <nav class="tabs" :aria-label="t('place.partsOfProgress')">
    <RouterLink v-for="tab in tabs" :key="tab.name" :to="tab.to" :class="{ here: tab.isHere }">{{
      tab.says
    }}</RouterLink>
  </nav>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
}
a {
  min-height: 44px;
  padding: 0 12px;
  display: inline-flex;
  align-items: center;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 3px solid var(--mist);
}
a.here {
  border-bottom-color: var(--pine);
  font-weight: 700;
}
</style>
