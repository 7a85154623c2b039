<script setup lang="ts">
import type { FamilySkill } from '@calm-apron/contract'
import { type Skill, isReadingKind } from '@calm-apron/core'
import { Chart, LineElement, LinearScale, PointElement, ScatterController } from 'chart.js'
import { computed } from 'vue'
import { Scatter } from 'vue-chartjs'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { CHART_FONT } from '../../kit/theme/tokens.ts'
import { useChartAxis, useChartColours } from '../../kit/theme/palette.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { useSkillWords } from '../../shot/skill/useSkillWords.ts'

Chart.register(ScatterController, LinearScale, PointElement, LineElement)
Object.assign(Chart.defaults.font, CHART_FONT)

/** The individuals chart of one skill: each shot’s deviation, centre and limits, what stands out; the figures as a table behind it. */
const props = defineProps<{ family: FamilySkill; skill: Skill }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const colours = useChartColours()
const axis = useChartAxis()
const words = useSkillWords()

const name = computed(() => t(`skill.of.${props.skill}`))
/** In the reading's own unit, where it has one. */
const inUnit = computed(() => (isReadingKind(props.skill) ? (props.family.tolerances[props.skill] ?? 1) : 1))
const entries = computed(() => props.family.runs[props.skill].filter(({ deviation }) => deviation !== null))
const chart = computed(() => props.family.skills[props.skill].chart)
const signals = computed(() => new Map((chart.value?.signals ?? []).map(({ at, kind }) => [at, kind])))
const rows = computed(() =>
  entries.value.map(({ shotId, pulledAt, standing, deviation, isHelped }) => ({
    shotId,
    when: format.momentOf(pulledAt, academy.timeZone),
    off: words.aside(props.family, props.skill, deviation ?? 0) || format.tenths(deviation ?? 0),
    standing: t(`standing.${standing}`),
    isHelped,
  })),
)

const data = computed(() => {
  const { ink, pine, cornflower, plum } = colours.value
  const flat = (value: number) => [
    { x: 1, y: value * inUnit.value },
    { x: Math.max(2, entries.value.length), y: value * inUnit.value },
  ]
  const plain = { showLine: true, pointRadius: 0, borderWidth: 2 }
  const limits = chart.value
  return {
    datasets: [
      {
        data: entries.value.map(({ deviation }, at) => ({ x: at + 1, y: (deviation ?? 0) * inUnit.value })),
        showLine: true,
        borderColor: ink,
        borderWidth: 1,
        pointRadius: 5,
        // Hollow with help, a diamond where something stands out.
        pointBackgroundColor: entries.value.map(({ isHelped }) => (isHelped ? 'transparent' : ink)),
        pointBorderColor: entries.value.map((_each, at) => (signals.value.has(at) ? plum : ink)),
        pointStyle: entries.value.map((_each, at) =>
          signals.value.has(at) ? ('rectRot' as const) : ('circle' as const),
        ),
      },
      { ...plain, data: flat(1), borderColor: cornflower },
      { ...plain, data: flat(-1), borderColor: cornflower },
      ...(limits === null
        ? []
        : [
            { ...plain, data: flat(limits.centre), borderColor: pine },
            { ...plain, data: flat(limits.upper), borderColor: pine, borderDash: [6, 4] },
            { ...plain, data: flat(limits.lower), borderColor: pine, borderDash: [6, 4] },
          ]),
    ],
  }
})

const options = computed(() => {
  const shots = axis(t('skill.chart.shots'))
  return {
    animation: false as const,
    maintainAspectRatio: false,
    scales: {
      x: { type: 'linear' as const, ...shots, ticks: { ...shots.ticks, precision: 0 } },
      y: { type: 'linear' as const, ...axis(t('skill.chart.off')) },
    },
  }
})
</script>

<template>
  <figure class="chart">
    <div class="canvas">
      <Scatter :data="data" :options="options" :aria-label="t('skill.chart.title', { name })" />
    </div>
    <figcaption class="soft">{{ t('skill.chart.key') }}</figcaption>
    <p v-for="kind in new Set(signals.values())" :key="kind" class="signal">
      {{ t(`skill.signal.${kind}`) }}
    </p>
    <details>
      <summary>{{ t('skill.chart.asTable') }}</summary>
      <table>
        <thead>
          <tr>
            <th scope="col">{{ t('skill.chart.when') }}</th>
            <th scope="col">{{ name }}</th>
            <th scope="col">{{ t('skill.chart.stood') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.shotId">
            <td>
              <RouterLink :to="{ name: 'reading', params: { shotId: row.shotId } }">{{
                row.when
              }}</RouterLink>
            </td>
            <td>{{ row.off }}</td>
            <td>{{ row.standing }}<template v-if="row.isHelped">, {{ t('skill.helped') }}</template></td>
          </tr>
        </tbody>
      </table>
    </details>
  </figure>
</template>

<style scoped>
.chart {
  margin: 8px 0;
}
.canvas {
  position: relative;
  height: 240px;
}
.signal {
  margin: 4px 0;
}
table {
  border-collapse: collapse;
}
th,
td {
  padding: 6px 16px 6px 0;
  text-align: left;
  border-bottom: 1px solid var(--mist);
}
</style>
