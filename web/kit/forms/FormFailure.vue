<script setup lang="ts">
/** What stands against a whole form. */
defineProps<{ says: string }>()
</script>

<template>
  <p v-if="says" class="failure" role="alert">{{ says }}</p>
</template>

<style scoped>
.failure {
  margin: 0;
  max-width: 480px;
  padding: 8px 12px;
  border-radius: 6px;
  background: var(--plum-soft);
}
</style>
