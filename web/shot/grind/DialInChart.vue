<script setup lang="ts">
import type { GrindFit, Recipe } from '@calm-apron/core'
import {
  Chart,
  Filler,
  LinearScale,
  LineElement,
  LogarithmicScale,
  PointElement,
  ScatterController,
} from 'chart.js'
import { computed } from 'vue'
import { Scatter } from 'vue-chartjs'
import { useI18n } from 'vue-i18n'
import { CHART_FONT } from '../../kit/theme/tokens.ts'
import { useChartAxis, useChartColours } from '../../kit/theme/palette.ts'

Chart.register(ScatterController, LinearScale, LogarithmicScale, PointElement, LineElement, Filler)
Object.assign(Chart.defaults.font, CHART_FONT)

/** Time against setting, on a scale on which it is a straight line, with the band in which four shots of five fall. */
const props = defineProps<{ fit: GrindFit; recipe: Recipe; next: number }>()
const { t } = useI18n()
const colours = useChartColours()
const axis = useChartAxis()

const data = computed(() => {
  const { line, shots } = props.fit
  const along = (key: 's' | 'lowS' | 'highS') => line.map((each) => ({ x: each.setting, y: each[key] }))
  const [from, to] = [line[0]?.setting ?? 0, line.at(-1)?.setting ?? 0]
  const flat = (s: number) => [
    { x: from, y: s },
    { x: to, y: s },
  ]
  const plain = { showLine: true, pointRadius: 0, borderWidth: 2 }
  const { ink, pine, cornflower, mist } = colours.value
  return {
    // The first is drawn on top.
    datasets: [
      {
        data: line.length === 0 ? [] : [{ x: props.next, y: nearest(props.next) }],
        // Hollow: shots at the very setting are seen inside it.
        pointRadius: 13,
        pointStyle: 'rectRot',
        borderColor: cornflower,
        borderWidth: 3,
        backgroundColor: 'transparent',
      },
      {
        data: shots.map(({ setting, s }) => ({ x: setting, y: s })),
        pointRadius: 6,
        pointStyle: shots.map(({ bound }) => (bound === null ? 'circle' : 'triangle')),
        backgroundColor: ink,
      },
      { ...plain, data: along('s'), borderColor: pine, borderWidth: 3 },
      { ...plain, data: flat(props.recipe.timeMinS), borderColor: cornflower, borderDash: [6, 4] },
      { ...plain, data: flat(props.recipe.timeMaxS), borderColor: cornflower, borderDash: [6, 4] },
      { ...plain, data: along('highS'), borderColor: mist, backgroundColor: mist, fill: '+1' },
      { ...plain, data: along('lowS'), borderColor: mist },
    ],
  }
})

function nearest(setting: number): number {
  return props.fit.line.reduce(
    (best, each) => (Math.abs(each.setting - setting) < Math.abs(best.setting - setting) ? each : best),
    props.fit.line[0] ?? { setting, s: 0 },
  ).s
}

const options = computed(() => {
  const seconds = axis(t('dialin.secondsAxis'))
  return {
    animation: false as const,
    maintainAspectRatio: false,
    scales: {
      x: { type: 'linear' as const, ...axis(t('dialin.settingAxis')) },
      y: {
        type: 'logarithmic' as const,
        min: 8,
        max: 90,
        ...seconds,
        ticks: {
          ...seconds.ticks,
          callback: (value: number | string) => (TICKS.has(Number(value)) ? `${value}` : null),
        },
      },
    },
  }
})
const TICKS = new Set([10, 15, 20, 30, 40, 60, 80])
const says = computed(() => t('dialin.chart', props.fit.shots.length))
</script>

<template>
  <figure class="chart">
    <div class="canvas"><Scatter :data="data" :options="options" :aria-label="says" /></div>
    <figcaption class="soft">{{ says }}</figcaption>
  </figure>
</template>

<style scoped>
.chart {
  margin: 8px 0 16px;
}
.canvas {
  position: relative;
  height: 260px;
}
</style>
