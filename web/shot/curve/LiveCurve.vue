<script setup lang="ts">
import type { Recipe, ShotSample } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTargetWords } from '../recipe/useTargetWords.ts'
import { curveModel } from './curveModel.ts'
import { numberTyped } from '../draft/readEntry.ts'
import type { ClockEntry } from '../draft/shotDraft.ts'

/** Weight over time, the box to land in, the shot before, and when the target will be reached. */
const props = defineProps<{
  recipe: Recipe
  clock: Pick<ClockEntry, 'firstDropText' | 'releaseText' | 'stopText'>
  nowS: number
  weights: readonly ShotSample[]
  /** How many there are: the list itself stays the same one while it grows. */
  count: number
  ghost: readonly ShotSample[]
  finishS: number | null
  stopAtG: number
}>()
const { t } = useI18n()
const { yieldOf } = useTargetWords()

const model = computed(() =>
  curveModel({
    recipe: props.recipe,
    firstDropS: numberTyped(props.clock.firstDropText),
    releaseS: numberTyped(props.clock.releaseText),
    stopS: numberTyped(props.clock.stopText),
    nowS: props.nowS,
    weights: props.weights.slice(0, props.count),
    ghost: props.ghost,
    finish: props.finishS === null ? null : { timeS: props.finishS, weightG: props.stopAtG },
  }),
)
const says = computed(() => {
  const { timeMinS, timeMaxS } = props.recipe
  const target = t('curve.target', { yield: yieldOf(props.recipe), min: timeMinS, max: timeMaxS })
  return props.finishS === null ? target : t('curve.finish', { at: props.finishS.toFixed(0) })
})
</script>

<template>
  <figure class="curve">
    <svg
      :viewBox="`0 0 ${model.width} ${model.height}`"
      preserveAspectRatio="xMinYMid"
      role="img"
      :aria-label="says"
    >
      <g class="grid">
        <line v-for="x in model.ticks" :key="x.at" :x1="x.x" y1="0" :x2="x.x" :y2="model.floor" />
        <text v-for="x in model.ticks" :key="`t${x.at}`" :x="x.x" :y="model.height - 4">{{ x.at }}</text>
      </g>
      <rect class="target" v-bind="model.box" />
      <path v-if="model.ghostPath" class="ghost" :d="model.ghostPath" />
      <template v-if="model.flow.end">
        <path class="flow" :d="model.flow.path" />
        <text class="says" :x="model.flow.end.x + 8" :y="model.flow.end.y + 6">{{ t('curve.flow') }}</text>
      </template>
      <path v-if="model.finishPath" class="finish" :d="model.finishPath" />
      <path v-if="model.path" class="weight" :d="model.path" />
      <g v-for="mark in model.marks" :key="mark.kind">
        <line class="mark" :x1="mark.x" y1="8" :x2="mark.x" :y2="model.floor" />
        <text class="says" :x="mark.x + 6" y="20">{{ t(`curve.${mark.kind}`) }}</text>
      </g>
    </svg>
    <figcaption>{{ says }}</figcaption>
  </figure>
</template>

<style scoped>
.curve {
  margin: 8px 0 0;
}
svg {
  width: 100%;
  display: block;
  max-height: 200px;
}
.grid line {
  stroke: var(--mist);
}
.grid text,
.says {
  fill: var(--ink-soft);
  font-family: var(--figure-font);
  font-size: 19px;
}
.target {
  fill: var(--pine-soft);
  stroke: var(--cornflower);
  stroke-width: 3;
}
path {
  fill: none;
}
.weight {
  stroke: var(--pine);
  stroke-width: 5;
}
.ghost {
  stroke: var(--edge);
  stroke-width: 3;
  stroke-dasharray: 2 6;
}
.flow {
  stroke: var(--ochre);
  stroke-width: 2;
}
.finish {
  stroke: var(--pine);
  stroke-width: 3;
  stroke-dasharray: 8 6;
}
.mark {
  stroke: var(--ink-soft);
  stroke-width: 2;
  stroke-dasharray: 4 4;
}
figcaption {
  font-size: 0.8em;
  color: var(--ink-soft);
}
</style>
