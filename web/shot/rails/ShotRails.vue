<script setup lang="ts">
import type { DoseMethod, Readings, Recipe } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import TermNote from '../../kit/glossary/TermNote.vue'
import { termsOf } from '../../kit/glossary/terms.ts'
import { useRailWords } from './useRailWords.ts'
import RailLine from './RailLine.vue'
import { type RailModel, railsOf } from './railModel.ts'

const props = defineProps<{
  readings: Readings
  recipe: Recipe
  /** How the dose will be measured, while nothing is known of it. */
  doseBy?: DoseMethod
}>()
const { t } = useI18n()
const words = useRailWords()

/** Where nobody weighs a dose, nobody has seen it yet. */
const isUnseenDose = ({ kind }: RailModel) =>
  kind === 'dose' && props.readings.of.facts.dose === null && (props.doseBy ?? 'scale') !== 'scale'

const rows = computed(() =>
  railsOf(props.readings).map((rail) => ({
    rail,
    label: t(`rail.${rail.kind}`),
    target: words.targetOf(rail.kind, props.recipe, props.readings, props.doseBy),
    value: words.valueOf(rail.kind, props.readings),
    deviation: isUnseenDose(rail) ? t('notJudged.not-seen') : words.deviationOf(rail.kind, props.readings),
    standing: rail.mark?.standing ?? null,
    isSaidTwice: words.deviationOf(rail.kind, props.readings) === t('rail.onTarget'),
  })),
)
</script>

<template>
  <ul class="rails">
    <li v-for="row in rows" :key="row.rail.kind" class="row" :data-rail="row.rail.kind">
      <div class="head">
        <strong>{{ row.label }}</strong>
        <TermNote v-for="term in termsOf(row.rail.kind)" :key="term" :term="term" />
        <span v-if="row.value" class="figure value">{{ row.value }}</span>
        <span class="soft target">{{ row.target }}</span>
      </div>
      <RailLine :rail="row.rail" />
      <div class="says" :class="row.standing ?? 'unjudged'">
        <span v-if="row.standing && !row.isSaidTwice" class="standing">{{
          t(`standing.${row.standing}`)
        }}</span>
        {{ row.deviation }}
        <span v-if="row.rail.isUneven" class="flag">{{ t('rail.unevenFlag') }}</span>
      </div>
    </li>
  </ul>
</template>

<style scoped>
.rails {
  display: grid;
  gap: 8px;
}
.row {
  display: grid;
  grid-template-columns: 1fr minmax(0, 15em);
  column-gap: 16px;
  align-items: center;
}
.head {
  grid-column: 1 / -1;
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.target {
  margin-left: auto;
  font-size: 0.875em;
}
.says {
  font-size: 0.9375em;
  line-height: 1.2;
}
.standing {
  font-weight: 700;
  margin-right: 4px;
}
.says.on .standing {
  color: var(--pine);
}
.says.near .standing {
  color: var(--ochre);
}
.says.off .standing {
  color: var(--plum);
}
.says.unjudged {
  color: var(--ink-soft);
}
.flag {
  display: inline-block;
  padding: 0 8px;
  border-radius: 4px;
  background: var(--plum-soft);
  color: var(--plum);
  font-weight: 700;
}
@media (max-width: 600px) {
  .row {
    grid-template-columns: 1fr;
  }
}
</style>
