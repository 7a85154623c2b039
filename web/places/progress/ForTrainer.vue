<script setup lang="ts">
import type { BesideSkill, FamilySkill } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** What those who teach know of somebody beside their skills: calls, agreement in tasting, first good shots, what it took. */
const props = defineProps<{ family: FamilySkill; beside: BesideSkill | null }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()

const calls = computed(() => {
  const confusion = props.family.forTrainer?.confusion ?? null
  if (confusion === null) return [t('skill.calls.few')]
  const { calls: count, right, taken } = confusion
  return [
    t('skill.calls.right', { count, right }),
    ...taken
      .slice(0, 3)
      .map(({ truly, said, times }) =>
        t(
          'skill.calls.taken',
          { truly: t(`skill.calls.place.${truly}`), said: t(`skill.calls.place.${said}`), times },
          times,
        ),
      ),
  ]
})
const agreement = computed(() =>
  (props.beside?.agreement ?? []).map(({ trainerId, cups, meanDifference, leans, kappa }) => ({
    trainerId,
    says: [
      t('skill.agree.with', { person: academy.personName(trainerId), count: cups }),
      meanDifference === null ? '' : t('skill.agree.apart', { points: format.tenths(meanDifference) }),
      leans === null || Math.abs(leans.by) < LEANS_FROM
        ? ''
        : t(leans.by > 0 ? 'skill.agree.more' : 'skill.agree.less', {
            axis: t(`fact.${leans.axis}.label`).toLowerCase(),
            points: format.tenths(Math.abs(leans.by)),
          }),
      kappa === null
        ? ''
        : kappa.low <= 0
          ? t('skill.agree.chance')
          : t('skill.agree.kappa', {
              is: hundredths(kappa.is),
              low: hundredths(kappa.low),
              high: hundredths(kappa.high),
            }),
    ].filter((each) => each !== ''),
  })),
)
/** Nearer than this nobody leans. */
const LEANS_FROM = 0.5
const hundredths = (value: number) => format.plain(Math.round(100 * value) / 100)
function dialInWords(): string[] {
  const dialIn = props.beside?.dialIn ?? null
  if (dialIn === null || dialIn.dialIns === 0) return []
  const { dialIns, compared } = dialIn
  if (compared === null) return [t('skill.dialIn.few', dialIns)]
  const { of: count, shots, grams, adviserShots, adviserGrams } = compared
  return [
    t('skill.dialIn.compared', {
      count,
      shots: format.tenths(shots),
      mass: format.mass(grams),
      adviserShots: format.tenths(adviserShots),
      adviserMass: format.mass(adviserGrams),
    }),
  ]
}
const rest = computed(() => {
  const first = props.family.forTrainer?.firstGood ?? null
  const spent = props.beside?.spent ?? null
  const ratings = (props.beside?.ownRatings ?? []).map((each) => format.plain(each)).join(', ')
  return [
    first === null ? t('skill.firstGood.none') : t('skill.firstGood.is', { n: first }),
    ...(ratings === '' ? [] : [t('skill.ownRatings', { ratings })]),
    ...dialInWords(),
    ...(spent === null
      ? []
      : [
          t('skill.spent', {
            shots: spent.shots,
            mass: format.mass(spent.grams),
            hours: format.tenths(spent.minutes / 60),
          }),
        ]),
  ]
})
</script>

<template>
  <div class="beside">
    <section aria-labelledby="calls">
      <h3 id="calls">{{ t('skill.calls.title') }}</h3>
      <p v-for="each in calls" :key="each">{{ each }}</p>
    </section>
    <section aria-labelledby="agree">
      <h3 id="agree">{{ t('skill.agree.title') }}</h3>
      <p v-for="{ trainerId, says } in agreement" :key="trainerId">{{ says.join(' ') }}</p>
      <p v-if="agreement.length === 0" class="soft">{{ t('skill.agree.few') }}</p>
    </section>
    <section aria-labelledby="took">
      <h3 id="took">{{ t('skill.took') }}</h3>
      <p v-for="each in rest" :key="each">{{ each }}</p>
    </section>
  </div>
</template>

<style scoped>
.beside {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 16px 40px;
  border-top: 1px solid var(--mist);
  padding-top: 12px;
}
h3 {
  margin: 0 0 4px;
  font-size: 1em;
}
p {
  margin: 0 0 4px;
}
</style>
