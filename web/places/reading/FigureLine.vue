<script setup lang="ts">
import {
  type Change,
  type Recipe,
  type ShotFacts,
  USUAL_EXTRACTION,
  brewRatio,
  colourShares,
  coloursSay,
  extractionPercent,
  firstDropSays,
  netG,
  weighedDoseG,
} from '@calm-apron/core'
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

function extractionWords(of: { tdsPercent: number; cupG: number; doseG: number }): string {
  const percent = extractionPercent(of)
  const { min, max } = USUAL_EXTRACTION
  const says = percent < min ? 'low' : percent > max ? 'high' : 'usual'
  return t('figures.extraction', {
    percent: format.percent(percent / 100),
    says: t(`figures.extracted.${says}`, { min, max }),
  })
}

const figures = computed(() => {
  const { clock, cup, noted } = props.facts
  const [doseG, cupG] = [weighedDoseG(props.facts), netG(cup)]
  const flowing = clock?.firstDropS == null ? null : clock.stopS - clock.firstDropS
  const predicted = noted?.predicted ?? null
  const colours = colourShares(noted?.marks ?? [], clock)
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
    ...(clock?.firstDropS != null && clock.firstDropS > 0 && !clock.estimated
      ? [
          t('figures.firstDrop', {
            at: format.seconds(clock.firstDropS),
            says: t(`figures.drop.${firstDropSays(clock.firstDropS, props.recipe)}`),
          }),
        ]
      : []),
    ...(colours === null
      ? []
      : [
          t('figures.colours', {
            dark: format.percent(colours.dark),
            golden: format.percent(colours.golden),
            pale: format.percent(colours.pale),
            says: t(`figures.colour.${coloursSay(colours)}`),
          }),
        ]),
    ...(noted?.tdsPercent != null && doseG !== null && cupG !== null && doseG > 0
      ? [extractionWords({ tdsPercent: noted.tdsPercent, cupG, doseG })]
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
