<script setup lang="ts">
import type { Standing } from '@calm-apron/core'

defineProps<{ standing: Standing; side: 'left' | 'right' }>()
</script>

<template>
  <!-- Filled, half-filled, hollow triangle: told apart without colour. -->
  <svg class="shape" :class="standing" viewBox="0 0 20 20" aria-hidden="true">
    <circle v-if="standing === 'on'" cx="10" cy="10" r="8" class="fill" />
    <template v-else-if="standing === 'near'">
      <circle cx="10" cy="10" r="7" class="hollow" />
      <path d="M10 3a7 7 0 0 1 0 14z" class="fill" />
    </template>
    <path v-else :d="side === 'left' ? 'M16 3v14L3 10z' : 'M4 3v14l13-7z'" class="hollow" />
  </svg>
</template>

<style scoped>
.shape {
  width: 20px;
  height: 20px;
  display: block;
}
.on {
  color: var(--pine);
}
.near {
  color: var(--ochre);
}
.off {
  color: var(--plum);
}
.fill {
  fill: currentColor;
}
.hollow {
  fill: var(--paper);
  stroke: currentColor;
  stroke-width: 2.5;
  stroke-linejoin: round;
}
</style>
