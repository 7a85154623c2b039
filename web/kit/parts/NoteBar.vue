<script setup lang="ts">
/** A line above every page that stays until it was seen to, with where to do so. */
</script>

<template>
  <div class="note" role="status"><slot /></div>
</template>

<style scoped>
.note {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 16px;
  padding: 4px 24px;
  background: var(--ochre-soft);
}
.note :slotted(a) {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
