<script setup lang="ts">
import { useId } from 'vue'
import { RouterLink, type RouteLocationRaw } from 'vue-router'

/** What waits for somebody, a line each that leads to where one sees to it; nothing where there is none. */
defineProps<{ title: string; rows: readonly { key: string; to: RouteLocationRaw; says: string }[] }>()
const titleId = useId()
</script>

<template>
  <section v-if="rows.length > 0" :aria-labelledby="titleId">
    <h2 :id="titleId">{{ title }}</h2>
    <ul>
      <li v-for="row in rows" :key="row.key">
        <RouterLink class="row" :to="row.to">{{ row.says }}</RouterLink>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  min-height: 48px;
  border-bottom: 1px solid var(--mist);
}
</style>
