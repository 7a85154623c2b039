<script setup lang="ts">
import { type DoserPortion, calibrateDoser, dosingSeconds, portionsAtLast } from '@calm-apron/core'
import { Chart, LinearScale, LineElement, PointElement, ScatterController } from 'chart.js'
import { computed } from 'vue'
import { Scatter } from 'vue-chartjs'
import { useI18n } from 'vue-i18n'
import { CHART_FONT } from '../../../kit/theme/tokens.ts'
import { useChartAxis, useChartColours } from '../../../kit/theme/palette.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'

Chart.register(ScatterController, LinearScale, PointElement, LineElement)
Object.assign(Chart.defaults.font, CHART_FONT)

/** Portions of a grinder that doses by time, with the line that fits them best. */
const props = defineProps<{ portions: readonly DoserPortion[]; targetG: number }>()
const { t } = useI18n()
const format = useFormat()
const colours = useChartColours()
const axis = useChartAxis()

/** As it grinds now: of another setting a portion says nothing. */
const shown = computed(() => portionsAtLast(props.portions))
const fit = computed(() => calibrateDoser(shown.value))
const longest = computed(() => Math.max(...shown.value.map(({ seconds }) => seconds)) * 1.15)
const data = computed(() => {
  const line = fit.value
  return {
    datasets: [
      {
        data: shown.value.map(({ seconds, grams }) => ({ x: seconds, y: grams })),
        pointRadius: 6,
        backgroundColor: colours.value.pine,
      },
      ...(line === null
        ? []
        : [
            {
              data: [
                { x: Math.max(0, line.deadTimeS), y: 0 },
                { x: longest.value, y: line.gramsPerS * (longest.value - line.deadTimeS) },
              ],
              showLine: true,
              pointRadius: 0,
              borderColor: colours.value.cornflower,
              borderWidth: 2,
            },
          ]),
    ],
  }
})
const options = computed(() => ({
  animation: false as const,
  maintainAspectRatio: false,
  scales: {
    x: { beginAtZero: true, ...axis(t('grinder.secondsAxis')) },
    y: { beginAtZero: true, ...axis(t('grinder.gramsAxis')) },
  },
}))
const says = computed(() =>
  fit.value === null
    ? t('grinder.noFit')
    : t('grinder.fit', {
        rate: format.plain(fit.value.gramsPerS),
        dead: format.plain(fit.value.deadTimeS),
        target: format.mass(props.targetG),
        seconds: format.seconds(dosingSeconds(fit.value, props.targetG)),
      }),
)
</script>

<template>
  <figure class="doser">
    <div class="chart"><Scatter :data="data" :options="options" :aria-label="says" /></div>
    <figcaption>{{ says }}</figcaption>
  </figure>
</template>

<style scoped>
.doser {
  margin: 0;
  max-width: 640px;
}
.chart {
  position: relative;
  height: 260px;
}
</style>
