<script setup lang="ts">
import type { Call, Slip, Tasting } from '@calm-apron/contract'
import {
  type Diagnosis,
  type FaultShown,
  type FlowHeading,
  RULES_VERSION,
  TASTE_AXES,
} from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import { callScore } from '@calm-apron/contract'

/** What was said before the reading opened: both calls, both slips; and a trainer's ruling beside the tool's. */
const props = defineProps<{
  tasting: Tasting
  pulledBy: string
  diagnosis: Diagnosis
  flow: FlowHeading | null
  /** Of a fault made on purpose: which. */
  faultShown: FaultShown | null
}>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()

function said({ verdict, cause, move }: Pick<Call, 'verdict' | 'cause' | 'move'>): string {
  if (verdict === null) return t('call.none')
  const parts = [
    t(`heading.${verdict}`),
    ...(cause === null ? [] : [t(`cause.${cause}`)]),
    ...(move === null ? [] : [t(`call.move.${move}`)]),
  ]
  return parts.join(', ')
}
const calls = computed(() =>
  props.tasting.calls
    .filter(({ personId, verdict }) => personId === props.pulledBy || verdict === null)
    .map((call) => ({ key: call.callId, label: t(`call.stage.${call.stage}`), says: said(call) })),
)
const finalCall = computed(
  () =>
    props.tasting.calls.find(({ stage, personId }) => stage === 'final' && personId === props.pulledBy) ??
    null,
)
const score = computed(() =>
  callScore(finalCall.value, props.diagnosis, props.tasting.rulings.at(-1) ?? null, {
    flow: props.flow,
    faultShown: props.faultShown,
  }),
)
const newest = (side: Slip['side']) => props.tasting.slips.findLast((slip) => slip.side === side) ?? null
const slips = computed(() => {
  const [trainee, trainer] = [newest('trainee'), newest('trainer')]
  return TASTE_AXES.map((axis) => ({
    axis: t(`fact.${axis}.label`),
    trainee: trainee?.taste?.[axis] ?? '–',
    trainer: trainer?.taste?.[axis] ?? '–',
  }))
})
/** What tells how far a call or a slip is theirs, and leans on nobody. */
const doubts = computed(() => [
  ...props.tasting.calls
    .filter(({ isClaimed }) => isClaimed)
    .map(({ personId }) => t('call.claimed', { person: academy.personName(personId) })),
  ...[newest('trainee'), newest('trainer')].flatMap((slip) => {
    if (slip === null) return []
    const person = academy.personName(slip.filledBy)
    const holder = slip.takenDownBy === null ? '' : academy.personName(slip.takenDownBy)
    return [
      ...(slip.isBlind ? [] : [t(slip.isLate ? 'slip.late' : 'slip.notBlind', { person })]),
      ...(slip.isClaimed ? [t('slip.claimed', { person })] : []),
      ...(slip.takenDownBy === null || slip.isClaimed ? [] : [t('slip.takenDown', { person, holder })]),
    ]
  }),
])
const hasSlips = computed(() => props.tasting.slips.some(({ taste }) => taste !== null))
</script>

<template>
  <section class="before" aria-labelledby="said">
    <h2 id="said">{{ t('call.title') }}</h2>
    <dl>
      <template v-for="call in calls" :key="call.key">
        <dt>{{ call.label }}</dt>
        <dd>{{ call.says }}</dd>
      </template>
      <template v-if="score !== null">
        <dt>{{ t('call.score') }}</dt>
        <dd>
          {{ t('call.scoreOf', { share: format.percent(score) }) }}
          <span v-if="finalCall?.rulesVersion !== RULES_VERSION" class="soft">{{
            t('ruling.earlierRules')
          }}</span>
        </dd>
      </template>
      <template v-for="ruling in tasting.rulings" :key="ruling.rulingId">
        <dt>{{ t('ruling.by', { person: academy.personName(ruling.ruledBy) }) }}</dt>
        <dd>
          <strong>{{ said(ruling) }}</strong><br />{{ ruling.reason }}
          <span v-if="ruling.rulesVersion !== RULES_VERSION" class="soft">{{
            t('ruling.earlierRules')
          }}</span>
        </dd>
      </template>
    </dl>
    <table v-if="hasSlips">
      <caption class="visually-hidden">
        {{ t('slip.both') }}
      </caption>
      <thead>
        <tr>
          <th scope="col">{{ t('slip.axis') }}</th>
          <th scope="col">{{ academy.personName(pulledBy) }}</th>
          <th scope="col">{{ t('tasting.trainerSide') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in slips" :key="row.axis">
          <th scope="row">{{ row.axis }}</th>
          <td class="figure">{{ row.trainee }}</td>
          <td class="figure">{{ row.trainer }}</td>
        </tr>
      </tbody>
    </table>
    <p v-for="doubt in doubts" :key="doubt" class="soft doubt">{{ doubt }}</p>
    <ul v-if="tasting.photos.length > 0" class="photos">
      <li v-for="(photo, index) in tasting.photos" :key="photo.photoId">
        <img :src="photo.picture" :alt="t('photo.alt', { no: index + 1 })" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.doubt {
  margin: 4px 0 0;
}
dl {
  display: grid;
  grid-template-columns: minmax(7em, auto) 1fr;
  gap: 4px 16px;
  margin: 0 0 12px;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
table {
  border-collapse: collapse;
}
th,
td {
  padding: 4px 20px 4px 0;
  text-align: left;
  border-bottom: 1px solid var(--mist);
}
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 12px;
}
img {
  max-width: 220px;
  border-radius: 8px;
}
</style>
