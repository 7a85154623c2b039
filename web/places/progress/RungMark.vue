<script setup lang="ts">
import { RUNGS, type Rung } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** A rung of the ladder: as many steps filled as there are up to it, and its word. */
const props = defineProps<{ rung: Rung | null }>()
const { t } = useI18n()

/** New has none; signed off and due stand as high as ready. */
const STEPS = 3
const filled = computed(() => (props.rung === null ? 0 : Math.min(STEPS, RUNGS.indexOf(props.rung))))
</script>

<template>
  <span v-if="rung === null" class="none">–</span>
  <span v-else class="rung" :class="rung">
    <svg viewBox="0 0 26 14" aria-hidden="true">
      <rect
        v-for="step in STEPS"
        :key="step"
        :x="(step - 1) * 9 + 1"
        :y="10 - step * 3"
        width="6"
        :height="step * 3 + 3"
        :class="{ filled: step <= filled }"
      />
    </svg>
    {{ t(`skill.rung.${rung}`) }}
  </span>
</template>

<style scoped>
.rung {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
svg {
  width: 26px;
  height: 14px;
}
rect {
  fill: none;
  stroke: var(--edge);
  stroke-width: 1.5;
}
.filled {
  fill: var(--pine);
  stroke: var(--pine);
}
.due .filled {
  fill: var(--ochre);
  stroke: var(--ochre);
}
.none {
  color: var(--ink-soft);
}
</style>
