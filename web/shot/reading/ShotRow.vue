<script setup lang="ts">
import { headingOf, isCounted } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { railsOf } from '../rails/railModel.ts'
import RailLine from '../rails/RailLine.vue'
import { useRailWords } from '../rails/useRailWords.ts'
import { readListed } from './readListed.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import type { ListedShot } from '../../data/queries/useShots.ts'
import { useAssessments } from '../signOff/assessments.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** One shot of a run: five small rails, each with its words, and the verdict. */
const props = defineProps<{
  listed: ListedShot
  /** In a list of several people's: whose it is; the day is known there. */
  isNamed?: boolean
  /** Its day too, where that is not known. */
  isDated?: boolean
  /** Where rows can be ticked: whether this one is, and whether no more can be. */
  tick?: { is: boolean; isFull: boolean }
}>()
defineEmits<{ tick: [] }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const words = useRailWords()

const assessments = useAssessments()

const shot = computed(() => props.listed.shot)
/** Of a set that is on nothing is told of how it went, on whichever page it stands. */
const isSealed = computed(() => assessments.isSealed(shot.value))
const readings = computed(() => readListed(props.listed))
const heading = computed(() => headingOf(readings.value))
const rails = computed(() =>
  railsOf(readings.value).map((rail) => ({
    rail,
    label: t(`rail.${rail.kind}`),
    says: words.deviationOf(rail.kind, readings.value),
  })),
)
const date = computed(() => format.dateOf(shot.value.pulledAt, academy.timeZone))
const isDay = computed(() => !props.isNamed || props.isDated)
const name = computed(() =>
  [props.isNamed ? academy.personName(shot.value.personId) : '', isDay.value ? date.value : '']
    .filter((each) => each !== '')
    .join(', '),
)
const time = computed(() => format.timeOf(shot.value.pulledAt, academy.timeZone))
</script>

<template>
  <li class="row">
    <div class="when">
      <RouterLink
        :to="{ name: 'reading', params: { shotId: shot.shotId } }"
        :aria-label="t('shotRow.open', { date, time })"
        class="open"
      >
        {{ name }}, <span class="figure">{{ time }}</span>
      </RouterLink>
      <span v-if="isSealed" class="soft">{{ t('shotRow.sealed') }}</span>
      <strong v-else>{{ t(`heading.${heading}`) }}</strong>
      <span v-if="isDay" class="soft">{{ listed.recipe.name }}</span>
      <span v-if="shot.isSimulated" class="soft">{{ t('purpose.simulatedMark') }}</span>
      <span v-else-if="!isCounted(shot.purpose)" class="soft">{{ t(`purpose.${shot.purpose}`) }}</span>
      <label v-if="tick" class="tick">
        <input type="checkbox" :checked="tick.is" :disabled="tick.isFull" @change="$emit('tick')" />
        {{ t('shotRow.tick') }}
      </label>
      <span v-if="listed.isUnsent" class="soft">{{ t('shotRow.unsent') }}</span>
      <span v-else-if="shot.current.revisionNo > 1" class="soft">{{ t('shotRow.corrected') }}</span>
    </div>
    <div v-for="{ rail, label, says } in isSealed ? [] : rails" :key="rail.kind" class="cell">
      <span class="label">{{ label }}</span>
      <RailLine :rail="rail" />
      <span class="says" :class="{ soft: !rail.isJudged }">
        {{ says }}<strong v-if="rail.isUneven">, {{ t('rail.unevenFlag') }}</strong>
      </span>
    </div>
  </li>
</template>

<style scoped>
.row {
  position: relative;
  display: grid;
  grid-template-columns: 190px repeat(5, minmax(0, 1fr));
  gap: 4px 20px;
  padding: 12px 8px;
  border-top: 1px solid var(--mist);
}
.row:hover {
  background: var(--raised);
}
.when {
  display: grid;
  align-content: start;
}
/* The whole row is the link's touch target. */
.open::after {
  content: '';
  position: absolute;
  inset: 0;
}
/* Above the link that covers the row. */
.tick {
  position: relative;
  z-index: 1;
  justify-self: start;
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  padding-right: 12px;
}
.tick input {
  width: 20px;
  height: 20px;
}
.cell {
  display: grid;
  align-content: start;
}
.label {
  font-size: 0.8125rem;
  color: var(--ink-soft);
}
.says {
  font-size: 0.875rem;
  line-height: 1.2;
}
@media (max-width: 860px) {
  .row {
    grid-template-columns: 1fr;
  }
  .cell {
    grid-template-columns: 3.5em minmax(0, 1fr) 9em;
    align-items: center;
    gap: 8px;
  }
}
</style>
