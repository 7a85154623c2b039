<script setup lang="ts">
import type { RecipeContent } from '@calm-apron/contract'
import { usualFirstDropS } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** A shot's time from the pump on: when its first drop is due, and the window in which it should reach the target. */
const props = defineProps<{ targets: RecipeContent['targets'] }>()
const { t } = useI18n()

const WIDTH = 600
const isOnPump = computed(() => props.targets.clock === 'pump')
/** On the other clocks the window begins to count at the first drop, or at the release about then. */
const startS = computed(() => (isOnPump.value ? 0 : usualFirstDropS(props.targets)))
const endS = computed(() => (startS.value + props.targets.timeMaxS) * 1.12)
const at = (s: number) => (s / endS.value) * WIDTH
const drop = computed(() => ({ from: at(props.targets.firstDropMinS), to: at(props.targets.firstDropMaxS) }))
const window = computed(() => ({
  from: at(startS.value + props.targets.timeMinS),
  to: at(startS.value + props.targets.timeMaxS),
}))
const isRecorded = computed(() => props.targets.school.onlyRecorded.includes('time'))
const says = computed(() => {
  const { clock, timeMinS: min, timeMaxS: max, firstDropMinS, firstDropMaxS } = props.targets
  return t('recipeShown.time', {
    window: t(`recipe.window.${clock}`, { min, max }),
    from: firstDropMinS,
    to: firstDropMaxS,
  })
})
</script>

<template>
  <div class="time">
    <svg :viewBox="`0 0 ${WIDTH} 34`" aria-hidden="true" preserveAspectRatio="none">
      <line x1="0" y1="17" :x2="WIDTH" y2="17" class="line" />
      <rect :x="drop.from" y="11" :width="drop.to - drop.from" height="12" class="drop" />
      <rect
        :x="window.from"
        y="3"
        :width="window.to - window.from"
        height="28"
        class="window"
        :class="{ recorded: isRecorded }"
      />
      <line :x1="at(startS)" y1="3" :x2="at(startS)" y2="31" class="start" />
    </svg>
    <p class="marks figure">
      <span :style="{ left: `${(at(startS) / WIDTH) * 100}%` }">0</span>
      <span :style="{ left: `${(window.from / WIDTH) * 100}%` }">{{ targets.timeMinS }}</span>
      <span :style="{ left: `${(window.to / WIDTH) * 100}%` }">{{ targets.timeMaxS }}</span>
    </p>
    <p>{{ says }}</p>
  </div>
</template>

<style scoped>
.time {
  min-width: 0;
}
svg {
  display: block;
  width: 100%;
  height: 34px;
}
.line {
  stroke: var(--edge);
  stroke-width: 2;
}
.drop {
  fill: none;
  stroke: var(--cornflower);
  stroke-width: 1.5;
  stroke-dasharray: 3 2;
}
.window {
  fill: var(--band);
  stroke: var(--cornflower);
  stroke-width: 1.5;
}
.window.recorded {
  fill: none;
  stroke: var(--edge);
  stroke-dasharray: 5 4;
}
.start {
  stroke: var(--ink);
  stroke-width: 3;
}
.marks {
  position: relative;
  height: 1.3em;
  margin: 0;
  font-size: 0.875rem;
}
.marks span {
  position: absolute;
  transform: translateX(-50%);
}
.marks span:first-child {
  transform: none;
}
p {
  margin: 0;
}
</style>
