<script setup lang="ts">
import type { Watch } from '@calm-apron/contract'
import { SAFETY_STEPS, type StepKey, type StepsSeen } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** What was seen of the steps by whoever judged, and by those who watched; a peer's is said to be one. */
const props = defineProps<{ noted: StepsSeen | null; watches: readonly Watch[] }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()

const named = (steps: readonly StepKey[]) => steps.map((step) => t(`shotStep.${step}.what`)).join(', ')
function linesOf({ stepsDone, stepsPrompted, stepsMissed }: StepsSeen): string[] {
  return [
    ...(stepsMissed.length > 0 ? [t('watched.missed', { steps: named(stepsMissed) })] : []),
    ...(stepsPrompted.length > 0 ? [t('watched.prompted', { steps: named(stepsPrompted) })] : []),
    ...(stepsDone.length > 0 ? [t('watched.done', stepsDone.length)] : []),
  ]
}
const isSafetyMissed = ({ stepsMissed }: StepsSeen) => stepsMissed.some((step) => SAFETY_STEPS.includes(step))

const judged = computed(() => (props.noted === null ? [] : linesOf(props.noted)))
/** The last word of each. */
const watchers = computed(() => {
  const newest = new Map(props.watches.map((watch) => [watch.watchedBy, watch]))
  return [...newest.values()].map((watch) => ({
    watch,
    title: t(watch.isTeaching ? 'watched.byTrainer' : 'watched.byPeer', {
      person: academy.personName(watch.watchedBy) || t('app.someoneErased'),
    }),
    lines: [
      ...linesOf(watch),
      ...(watch.marks.length > 0 ? [watch.marks.map(markWords).join(', ')] : []),
      ...(watch.call === null ? [] : [t('watched.call', { call: callWords(watch.call) })]),
    ],
  }))
})

function markWords({ mark, atS }: Watch['marks'][number]): string {
  return t('mark.last', { mark: t(`mark.${mark}`), at: format.seconds(atS) })
}
function callWords({ verdict, cause, move }: NonNullable<Watch['call']>): string {
  return [
    t(`heading.${verdict}`),
    ...(cause === null ? [] : [t(`cause.${cause}`)]),
    ...(move === null ? [] : [t(`call.move.${move}`)]),
  ].join(', ')
}
</script>

<template>
  <section v-if="judged.length > 0 || watchers.length > 0" class="watched" aria-labelledby="watched">
    <h2 id="watched">{{ t('watched.title') }}</h2>
    <ul v-if="judged.length > 0" :class="{ safety: noted && isSafetyMissed(noted) }">
      <li v-for="line in judged" :key="line">{{ line }}</li>
    </ul>
    <template v-for="{ watch, title, lines } in watchers" :key="watch.watchId">
      <h3>{{ title }}</h3>
      <ul :class="{ safety: isSafetyMissed(watch) }">
        <li v-for="line in lines" :key="line">{{ line }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.watched {
  margin-bottom: 12px;
}
h3 {
  margin: 8px 0 0;
  font-size: 1rem;
}
ul {
  padding-left: 12px;
  border-left: 4px solid var(--edge);
}
.safety {
  border-left-color: var(--plum);
}
</style>
