<script setup lang="ts">
import { RouterLink, type RouteLocationRaw } from 'vue-router'

/** An empty place says what belongs there and offers the first step. */
defineProps<{ title?: string; says: string; action?: string; to?: RouteLocationRaw }>()
</script>

<template>
  <div class="empty">
    <h1 v-if="title" tabindex="-1">{{ title }}</h1>
    <p>{{ says }}</p>
    <RouterLink v-if="to && action" :to="to">{{ action }}</RouterLink>
  </div>
</template>

<style scoped>
.empty {
  padding: 32px 24px;
  max-width: 40em;
}
</style>
