<script setup lang="ts">
import type { ShotDetail } from '@calm-apron/contract'
import { headingOf } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import RailLine from '../../../shot/rails/RailLine.vue'
import { railsOf } from '../../../shot/rails/railModel.ts'
import { useRailWords } from '../../../shot/rails/useRailWords.ts'
import { readListed } from '../../../shot/reading/readListed.ts'

/** One of several shots side by side; hidden which it is, only what came of it. */
const props = defineProps<{ name: string; shot: ShotDetail; isBlind: boolean }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const words = useRailWords()

const readings = computed(() => readListed({ shot: props.shot, recipe: props.shot.recipe }))
const heading = computed(() => headingOf(readings.value))
const rails = computed(() =>
  railsOf(readings.value).map((rail) => ({
    rail,
    label: t(`rail.${rail.kind}`),
    value: words.valueOf(rail.kind, readings.value),
    says: words.deviationOf(rail.kind, readings.value),
  })),
)
const about = computed(() => {
  const { shot } = props
  const { grindSetting } = shot.current.facts
  const rows = [
    ['recipe', shot.recipe.name],
    ['coffee', academy.coffeeOfBag(shot.bagId)?.name ?? ''],
    ['grind', grindSetting === null ? '' : format.plain(grindSetting)],
    ['purpose', t(`purpose.${shot.purpose}`)],
    ['note', shot.current.note],
  ] as const
  return rows.filter(([, says]) => says !== '')
})
</script>

<template>
  <section :aria-label="name" class="one">
    <h2>{{ name }}</h2>
    <strong>{{ t(`heading.${heading}`) }}</strong>
    <dl v-if="!isBlind">
      <template v-for="[key, says] in about" :key="key">
        <dt>{{ t(`compare.${key}`) }}</dt>
        <dd>{{ says }}</dd>
      </template>
    </dl>
    <div v-for="{ rail, label, value, says } in rails" :key="rail.kind" class="rail">
      <span class="label">{{ label }}</span> <span class="figure">{{ value }}</span>
      <RailLine :rail="rail" />
      <span class="says" :class="{ soft: !rail.isJudged }"
        >{{ says }}<strong v-if="rail.isUneven">, {{ t('rail.unevenFlag') }}</strong></span
      >
    </div>
    <RouterLink v-if="!isBlind" :to="{ name: 'reading', params: { shotId: shot.shotId } }">{{
      t('compare.open')
    }}</RouterLink>
  </section>
</template>

<style scoped>
.one {
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
}
h2 {
  margin: 0;
}
dl {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 2px 12px;
  margin: 0;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.rail {
  border-top: 1px solid var(--mist);
  padding-top: 4px;
}
.label {
  color: var(--ink-soft);
  margin-right: 8px;
}
.says {
  font-size: 0.9375em;
}
.one > a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
