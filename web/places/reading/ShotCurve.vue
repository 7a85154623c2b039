<script setup lang="ts">
import type { ShotDetail } from '@calm-apron/contract'
import { asWanted, projectedFinishS, ranAwayS, unpackSeries } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import LiveCurve from '../../shot/curve/LiveCurve.vue'
import { useFormat } from '../../kit/units/useFormat.ts'

/** The curve as it was, with what the scale and the marks said of it. */
const props = defineProps<{ shot: ShotDetail }>()
const { t } = useI18n()
const format = useFormat()

const samples = computed(() => unpackSeries(props.shot.series?.weight ?? ''))
const clock = computed(() => props.shot.current.facts.clock)
const targets = computed(() => asWanted(props.shot.recipe.targets, props.shot.current.facts.wanted))
const texts = computed(() => ({
  firstDropText: clock.value?.firstDropS == null ? '' : String(clock.value.firstDropS),
  releaseText: clock.value?.preinfusionEndS == null ? '' : String(clock.value.preinfusionEndS),
  stopText: clock.value === null ? '' : String(clock.value.stopS),
}))
const notes = computed(() => {
  const noted = props.shot.current.facts.noted
  const away =
    clock.value?.firstDropS == null
      ? null
      : ranAwayS(samples.value, clock.value.firstDropS, clock.value.stopS)
  const { yieldG } = targets.value
  const last = samples.value.at(-1)
  const reached = last && last.weightG >= yieldG ? projectedFinishS(samples.value, yieldG) : null
  return [
    ...(reached === null
      ? []
      : [t('curve.reached', { yield: format.mass(yieldG), at: format.seconds(reached) })]),
    ...(away === null ? [] : [t('curve.ranAway', { at: format.seconds(away) })]),
    ...(noted?.marks ?? []).map(({ mark, atS }) =>
      t('mark.last', { mark: t(`mark.${mark}`), at: format.seconds(atS) }),
    ),
    ...(noted?.weightAtStopG == null
      ? []
      : [t('curve.atStop', { weight: format.mass(Math.max(0, noted.weightAtStopG)) })]),
    ...(noted?.lockToStartS == null ? [] : [t('pull.lockToStart', { s: noted.lockToStartS })]),
  ]
})
</script>

<template>
  <section v-if="samples.length > 0 || notes.length > 0" aria-labelledby="curve">
    <!-- Without a scale there is no curve to see, only what was noted of it. -->
    <h2 id="curve" :class="{ 'visually-hidden': samples.length === 0 }">{{ t('curve.title') }}</h2>
    <LiveCurve
      v-if="samples.length > 0"
      :recipe="targets"
      :clock="texts"
      :now-s="clock?.stopS ?? 0"
      :weights="samples"
      :count="samples.length"
      :ghost="[]"
      :finish-s="null"
      :stop-at-g="targets.yieldG"
    />
    <ul>
      <li v-for="note in notes" :key="note">{{ note }}</li>
    </ul>
  </section>
</template>
