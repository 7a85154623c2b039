<script setup lang="ts">
import { type Change, type ShotFacts, type Recipe, brewRatio, netG, weighedDoseG } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Ratio, flow, and what was expected against what came. */
const props = defineProps<{
  facts: ShotFacts
  recipe: Recipe
  timeS: number | null
  changed: readonly Change[] | null
}>()
const { t } = useI18n()
const format = useFormat()

const figures = computed(() => {
  const { clock, cup, noted } = props.facts
  const [doseG, cupG] = [weighedDoseG(props.facts), netG(cup)]
  const flowing = clock?.firstDropS == null ? null : clock.stopS - clock.firstDropS
  const predicted = noted?.predicted ?? null
  const miss = (s: number) => t('figures.miss', { miss: format.seconds(Math.abs((props.timeS ?? s) - s)) })
  return [
    ...(doseG !== null && cupG !== null && doseG > 0
      ? [
          t('figures.ratio', {
            ratio: format.ratio(brewRatio(doseG, cupG)),
            target: format.ratio(brewRatio(props.recipe.doseG, props.recipe.yieldG)),
          }),
        ]
      : []),
    ...(flowing !== null && flowing > 0 && cupG !== null
      ? [t('figures.flow', { flow: format.flow(cupG / flowing, true) })]
      : []),
    ...(predicted?.byPersonS != null
      ? [
          t('figures.byPerson', { s: format.seconds(predicted.byPersonS) }) +
            (props.timeS === null ? '' : `, ${miss(predicted.byPersonS)}`),
        ]
      : []),
    ...(predicted?.byToolS != null
      ? [
          t('figures.byTool', { s: format.seconds(predicted.byToolS) }) +
            (props.timeS === null ? '' : `, ${miss(predicted.byToolS)}`),
        ]
      : []),
    ...(noted?.cupsG != null
      ? [t('figures.apart', { amount: format.massApart(noted.cupsG[0] - noted.cupsG[1]) })]
      : []),
    ...(props.changed !== null && props.changed.length > 0
      ? [t('figures.changed', { what: props.changed.map((each) => t(`changed.${each}`)).join(', ') })]
      : []),
    ...(noted?.selfRating != null ? [t('figures.self', { n: noted.selfRating })] : []),
  ]
})
</script>

<template>
  <ul v-if="figures.length > 0" class="figures">
    <li v-for="each in figures" :key="each">{{ each }}</li>
  </ul>
</template>

<style scoped>
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  margin-bottom: 12px;
}
</style>
