<script setup lang="ts">
import type { RailModel } from './railModel.ts'
import RailMarkShape from './RailMarkShape.vue'

/** The drawn line alone; whoever shows it says the same in words beside it. */
defineProps<{ rail: RailModel }>()
</script>

<template>
  <div class="line" :class="{ dashed: !rail.isJudged }" aria-hidden="true">
    <template v-if="rail.hasTarget">
      <span class="band"></span>
      <span class="notch"></span>
    </template>
    <span v-if="rail.mark" class="mark" :style="{ left: `${rail.mark.at * 100}%` }">
      <RailMarkShape :standing="rail.mark.standing" :side="rail.mark.side" />
    </span>
  </div>
</template>

<style scoped>
.line {
  position: relative;
  height: 24px;
  margin-inline: 10px;
}
.line::before {
  content: '';
  position: absolute;
  inset: 11px -10px auto;
  border-top: 2px solid var(--edge);
}
.dashed::before {
  border-top-style: dashed;
}
.band {
  position: absolute;
  left: 33.33%;
  width: 33.33%;
  top: 4px;
  bottom: 4px;
  background: var(--band);
  border-radius: 4px;
}
.line .band::after {
  content: '';
  position: absolute;
  inset: 7px 0 auto;
  border-top: 2px solid var(--edge);
}
.notch {
  position: absolute;
  left: 50%;
  top: 0;
  bottom: 0;
  width: 3px;
  margin-left: -1.5px;
  background: var(--cornflower);
  border-radius: 2px;
}
.mark {
  position: absolute;
  top: 2px;
  margin-left: -10px;
  transition: left 120ms ease-out;
}
</style>
