<script setup lang="ts">
import type { GrinderContent, WorkedSetting } from '@calm-apron/contract'
import { settingShown } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** A grinder's scale as it is: which way is finer, where the burrs touch, and the settings that worked. */
const props = defineProps<{
  grinder: GrinderContent
  worked?: readonly WorkedSetting[]
  /** Single settings with what they are. */
  marks?: readonly { setting: number; says: string }[]
}>()
const { t } = useI18n()

const WIDTH = 640
const MOST_TICKS = 41
const LABELS = 6
const span = computed(() => props.grinder.maxSetting - props.grinder.minSetting)
const at = (setting: number) => ((setting - props.grinder.minSetting) / span.value) * WIDTH
const shown = (setting: number) => settingShown(setting, props.grinder.lettersPerNumber)

const ticks = computed(() => {
  const { minSetting, settingStep } = props.grinder
  const each = Math.max(1, Math.ceil(span.value / settingStep / MOST_TICKS)) * settingStep
  return Array.from(
    { length: Math.floor(span.value / each + 1e-9) + 1 },
    (_, index) => minSetting + index * each,
  )
})
const labels = computed(() => {
  const every = Math.max(1, Math.round(ticks.value.length / LABELS))
  return ticks.value.filter((_, index) => index % every === 0)
})
const touching = computed(() => {
  const { touchingAt, finerIs } = props.grinder
  if (touchingAt === null) return null
  return finerIs === 'lower' ? { from: 0, to: at(touchingAt) } : { from: at(touchingAt), to: WIDTH }
})
const shownMarks = computed(() =>
  [
    ...(props.marks ?? []).map(({ setting, says }) => ({
      key: says,
      lowest: setting,
      highest: setting,
      median: setting,
      says,
    })),
    ...(props.worked ?? []).map(({ coffeeId, coffeeName, lowest, highest, median }) => ({
      key: coffeeId,
      lowest,
      highest,
      median,
      says: t('grinder.worked', { coffee: coffeeName, setting: shown(median) }),
    })),
  ].map(({ key, lowest, highest, median, says }, index) => ({
    key,
    says,
    from: at(lowest),
    to: at(highest),
    median: at(median),
    y: 70 + index * 26,
  })),
)
const height = computed(() => 60 + shownMarks.value.length * 26)
const ends = computed(() =>
  props.grinder.finerIs === 'lower'
    ? { left: t('grinder.finer'), right: t('grinder.coarser') }
    : { left: t('grinder.coarser'), right: t('grinder.finer') },
)
</script>

<template>
  <figure class="scale">
    <div class="ends">
      <span>← {{ ends.left }}</span>
      <span>{{ ends.right }} →</span>
    </div>
    <svg :viewBox="`-12 0 ${WIDTH + 24} ${height}`" aria-hidden="true">
      <rect
        v-if="touching"
        :x="touching.from"
        y="8"
        :width="touching.to - touching.from"
        height="22"
        class="touching"
      />
      <line x1="0" y1="30" :x2="WIDTH" y2="30" class="line" />
      <line v-for="tick in ticks" :key="tick" :x1="at(tick)" y1="22" :x2="at(tick)" y2="30" class="tick" />
      <text v-for="label in labels" :key="`label ${label}`" :x="at(label)" y="48" class="number">
        {{ shown(label) }}
      </text>
      <g v-for="mark in shownMarks" :key="mark.key">
        <rect
          :x="mark.from - 5"
          :y="mark.y - 9"
          :width="mark.to - mark.from + 10"
          height="12"
          rx="6"
          class="range"
        />
        <circle :cx="mark.median" :cy="mark.y - 3" r="6" class="median" />
        <text :x="mark.to + 14" :y="mark.y + 1" class="says" :class="{ left: mark.to > WIDTH * 0.6 }">
          {{ mark.to > WIDTH * 0.6 ? '' : mark.says }}
        </text>
        <text v-if="mark.to > WIDTH * 0.6" :x="mark.from - 14" :y="mark.y + 1" class="says left">
          {{ mark.says }}
        </text>
      </g>
    </svg>
    <figcaption>
      <span v-if="grinder.touchingAt !== null">{{
        t('grinder.touching', { at: shown(grinder.touchingAt) })
      }}</span>
      <ul v-if="shownMarks.length > 0" class="visually-hidden">
        <li v-for="mark in shownMarks" :key="mark.key">{{ mark.says }}</li>
      </ul>
    </figcaption>
  </figure>
</template>

<style scoped>
.scale {
  margin: 0;
  max-width: 900px;
}
.ends {
  display: flex;
  justify-content: space-between;
  font-weight: 650;
}
svg {
  width: 100%;
  display: block;
}
.line {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.tick {
  stroke: var(--edge);
  stroke-width: 1.5;
}
.number,
.says {
  fill: var(--ink);
  font-family: var(--figure-font);
  font-size: 14px;
}
.number {
  text-anchor: middle;
}
.says.left {
  text-anchor: end;
}
.touching {
  fill: var(--plum-soft);
  stroke: var(--plum);
  stroke-dasharray: 4 3;
}
.range {
  fill: var(--pine-soft);
  stroke: var(--pine);
}
.median {
  fill: var(--pine);
}
</style>
