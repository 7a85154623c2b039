<script setup lang="ts">
import type { ShotSample } from '@calm-apron/core'
import { Chart, LineElement, LinearScale, PointElement, ScatterController } from 'chart.js'
import { computed } from 'vue'
import { Scatter } from 'vue-chartjs'
import { useI18n } from 'vue-i18n'
import { useChartAxis, useChartColours } from '../../../kit/theme/palette.ts'
import { CHART_FONT } from '../../../kit/theme/tokens.ts'

Chart.register(ScatterController, LinearScale, PointElement, LineElement)
Object.assign(Chart.defaults.font, CHART_FONT)

/** Weight over time of several shots, laid over each other: each its own stroke, so that they are told apart in grey too. */
const props = defineProps<{ curves: readonly { name: string; samples: readonly ShotSample[] }[] }>()
const { t } = useI18n()
const colours = useChartColours()
const axis = useChartAxis()

/** In px, drawn and left out. */
const STROKES: readonly number[][] = [[], [10, 5], [2, 4], [12, 4, 2, 4]]
const styles = computed(() => {
  const { pine, cornflower, plum, ochre } = colours.value
  return [pine, cornflower, plum, ochre].map((colour, at) => ({ colour, dash: STROKES[at] ?? [] }))
})
const data = computed(() => ({
  datasets: props.curves.map(({ samples }, at) => ({
    data: samples.map(({ timeS, weightG }) => ({ x: timeS, y: weightG })),
    showLine: true,
    pointRadius: 0,
    borderWidth: 2.5,
    borderColor: styles.value[at]?.colour ?? colours.value.ink,
    borderDash: styles.value[at]?.dash ?? [],
  })),
}))
const options = computed(() => ({
  animation: false as const,
  maintainAspectRatio: false,
  scales: {
    x: { type: 'linear' as const, ...axis(t('compare.seconds')) },
    y: { type: 'linear' as const, ...axis(t('compare.grams')) },
  },
}))
</script>

<template>
  <figure class="curves">
    <div class="canvas">
      <Scatter :data="data" :options="options" :aria-label="t('compare.curves', { count: curves.length })" />
    </div>
    <figcaption>
      <span v-for="({ name }, at) in curves" :key="name">
        <svg width="44" height="12" aria-hidden="true">
          <line
            x1="0"
            y1="6"
            x2="44"
            y2="6"
            stroke-width="3"
            :stroke="styles[at]?.colour"
            :stroke-dasharray="styles[at]?.dash.join(' ')"
          />
        </svg>
        {{ name }}
      </span>
    </figcaption>
  </figure>
</template>

<style scoped>
.curves {
  margin: 0;
}
.canvas {
  position: relative;
  height: 280px;
}
figcaption,
figcaption span {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}
figcaption {
  gap: 4px 24px;
}
</style>
