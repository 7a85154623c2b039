<script setup lang="ts">
import type { RouteLocationRaw } from 'vue-router'
import { RouterLink, RouterView } from 'vue-router'

/** A place of several parts: their names beside the one that is looked at. */
defineProps<{ label: string; parts: readonly { to: RouteLocationRaw; name: string; isHere: boolean }[] }>()
</script>

<template>
  <div class="frame">
    <nav :aria-label="label">
      <RouterLink
        v-for="part in parts"
        :key="part.name"
        :to="part.to"
        class="part"
        :class="{ here: part.isHere }"
        >{{ part.name }}</RouterLink
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
