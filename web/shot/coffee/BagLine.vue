<script setup lang="ts">
import type { BagContent } from '@calm-apron/contract'
import { type FreshnessWindow, daysBetween } from '@calm-apron/core'
import { computed } from 'vue'
import { useFormat } from '../../kit/units/useFormat.ts'
import { bagOnDate } from './bagState.ts'
import { useBagWords } from './useBagWords.ts'

/** A bag's life as a line from its roast to past its time, with the day it is now. */
const props = defineProps<{ bag: BagContent; window: FreshnessWindow; onDate: string }>()
const format = useFormat()
const words = useBagWords()

const WIDTH = 600
/** A date needs this much of the line to be read. */
const LABEL_WIDTH = 130
/** Those dates that have room beside the one before; the first and the last always stand. */
function apart(dates: { at: number; says: string }[]) {
  let taken = -Infinity
  const last = dates.at(-1)?.at ?? 0
  return dates.filter((date, index) => {
    const isRoomy = date.at - taken >= LABEL_WIDTH && last - date.at >= LABEL_WIDTH
    if (index > 0 && index < dates.length - 1 && !isRoomy) return false
    taken = date.at
    return true
  })
}

const state = computed(() => bagOnDate(props.bag, props.window, props.onDate))
const says = computed(() => words.standing(props.bag, props.window, props.onDate))
const line = computed(() => {
  const found = state.value
  const { roastedOn } = props.bag
  if (found === null || roastedOn === null) return null
  const { restedOn, bestUntil, usableUntil } = found.life
  const whole = daysBetween(roastedOn, usableUntil) * 1.15
  const at = (date: string) => Math.min(WIDTH, Math.max(0, (daysBetween(roastedOn, date) / whole) * WIDTH))
  return {
    rested: at(restedOn),
    best: at(bestUntil),
    usable: at(usableUntil),
    today: at(props.onDate),
    dates: apart([
      { at: 0, says: format.calendarDate(roastedOn) },
      { at: at(restedOn), says: format.calendarDate(restedOn) },
      { at: at(bestUntil), says: format.calendarDate(bestUntil) },
      { at: at(usableUntil), says: format.calendarDate(usableUntil) },
    ]),
  }
})
</script>

<template>
  <div class="bag-line">
    <template v-if="line">
      <svg :viewBox="`0 0 ${WIDTH} 36`" preserveAspectRatio="none" aria-hidden="true">
        <rect x="0" y="13" :width="line.rested" height="10" class="resting" />
        <rect :x="line.rested" y="6" :width="line.best - line.rested" height="24" class="best" />
        <rect :x="line.best" y="10" :width="line.usable - line.best" height="16" class="fading" />
        <line :x1="line.usable" y1="18" :x2="WIDTH" y2="18" class="past" />
        <line :x1="line.today" y1="0" :x2="line.today" y2="36" class="today" />
      </svg>
      <p class="dates">
        <span v-for="date in line.dates" :key="date.at" :style="{ left: `${(date.at / WIDTH) * 100}%` }">{{
          date.says
        }}</span>
      </p>
    </template>
    <p class="says" :class="state?.freshness">{{ says }}</p>
  </div>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: 36px;
}
.resting {
  fill: none;
  stroke: var(--edge);
  stroke-width: 1.5;
  stroke-dasharray: 4 3;
}
.best {
  fill: var(--pine-soft);
  stroke: var(--pine);
  stroke-width: 1.5;
}
.fading {
  fill: var(--ochre-soft);
  stroke: var(--ochre);
}
.past {
  stroke: var(--edge);
  stroke-width: 2;
  stroke-dasharray: 2 4;
}
.today {
  stroke: var(--ink);
  stroke-width: 4;
}
.dates {
  position: relative;
  height: 1.4em;
  margin: 0;
  font-size: 0.8125rem;
  color: var(--ink-soft);
}
.dates span {
  position: absolute;
  white-space: nowrap;
  transform: translateX(-50%);
}
.dates span:first-child {
  transform: none;
}
.says {
  margin: 4px 0 0;
  font-weight: 650;
}
.in-window {
  color: var(--pine);
}
.too-fresh {
  color: var(--ochre);
}
.says.fading {
  color: var(--ochre);
}
.says.past {
  color: var(--plum);
}
</style>
