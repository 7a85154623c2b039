<script setup lang="ts">
import type { JudgedPart, Outcomes } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'

/** What the rules propose, part by part, each with why and the very shots it rests on. */
const props = defineProps<{
  judged: readonly JudgedPart[]
  counted: readonly string[]
  /** As it was decided; empty before. */
  outcomes: Outcomes
}>()
const { t } = useI18n()

const rows = () =>
  props.judged.map(({ part, result, because, side, shots }) => {
    const on = shots.filter(({ standing }) => standing === 'on').length
    const decided = props.outcomes.find((each) => each.part === part)?.result ?? result
    return {
      part,
      result: decided,
      says: t(`signOff.result.${decided}`),
      why: [
        ...(decided === result
          ? []
          : [t('signOff.page.rulesSaid', { result: t(`signOff.result.${result}`) })]),
        ...(shots.length > 0 ? [t('signOff.how', { on, of: shots.length })] : []),
        ...(side === null ? [] : [t(side > 0 ? 'signOff.side.over' : 'signOff.side.under')]),
        ...(because === null ? [] : [t(`signOff.because.${because}`)]),
      ].join('; '),
      shots: shots.map(({ shotId, standing }) => ({
        shotId,
        standing,
        name: `${props.counted.indexOf(shotId) + 1 || '·'}`,
        label: t('signOff.page.shotIs', {
          n: props.counted.indexOf(shotId) + 1,
          standing: t(`signOff.standingOf.${standing}`),
        }),
      })),
    }
  })
</script>

<template>
  <table>
    <caption class="visually-hidden">
      {{ t('signOff.page.proposal') }}
    </caption>
    <thead>
      <tr>
        <th scope="col">{{ t('signOff.page.part') }}</th>
        <th scope="col">{{ t('signOff.page.says') }}</th>
        <th scope="col">{{ t('signOff.page.why') }}</th>
        <th scope="col">{{ t('signOff.page.shots') }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows()" :key="row.part" :data-part="row.part">
        <th scope="row">{{ t(`signOff.part.${row.part}`) }}</th>
        <td :class="row.result">{{ row.says }}</td>
        <td class="soft">{{ row.why }}</td>
        <td class="shots">
          <RouterLink
            v-for="shot in row.shots"
            :key="shot.shotId"
            :class="shot.standing"
            :to="{ name: 'reading', params: { shotId: shot.shotId } }"
            :aria-label="shot.label"
            >{{ shot.name }}</RouterLink
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  padding: 6px 16px 6px 0;
  border-bottom: 1px solid var(--mist);
  vertical-align: middle;
}
thead th {
  color: var(--ink-soft);
  font-weight: 400;
}
td.shown {
  color: var(--pine);
  font-weight: 700;
}
td.not-yet {
  color: var(--plum);
  font-weight: 700;
}
.shots a {
  min-width: 44px;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  justify-content: center;
  border-bottom: 4px solid var(--pine);
  text-decoration: none;
  color: var(--ink);
}
.shots a.near {
  border-bottom: 4px dashed var(--ochre);
}
.shots a.off {
  border-bottom: 4px double var(--plum);
}
@media (max-width: 600px) {
  thead {
    display: none;
  }
  tr {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }
  td,
  th {
    border: 0;
    padding: 4px 0;
  }
  tr {
    border-bottom: 1px solid var(--mist);
    padding: 8px 0;
  }
  .shots {
    grid-column: 1 / -1;
  }
}
</style>
