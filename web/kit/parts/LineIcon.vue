<script setup lang="ts">
import { SIGNS } from './signs.ts'

/** A small sign beside words, drawn in the colour and size of its text; it says nothing that they don't. */
defineProps<{ sign: keyof typeof SIGNS }>()
</script>

<template>
  <svg class="sign" viewBox="0 0 24 24" aria-hidden="true"><path :d="SIGNS[sign]" /></svg>
</template>

<style scoped>
.sign {
  width: 1.1em;
  height: 1.1em;
  flex: none;
  vertical-align: -0.15em;
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.9;
  stroke-linecap: round;
  stroke-linejoin: round;
}
</style>
