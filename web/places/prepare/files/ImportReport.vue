<script setup lang="ts">
import { ROW_OUTCOMES, type RowReport } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** What became of each row of a file, or would; what was refused first, with the field and the mend. */
const props = defineProps<{ reports: readonly RowReport[]; isTaken: boolean; fileName: string }>()
const i18n = useI18n()
const { t } = i18n

const counts = computed(() =>
  ROW_OUTCOMES.map((outcome) => ({
    outcome,
    count: props.reports.filter((each) => each.outcome === outcome).length,
  })).filter(({ count }) => count > 0),
)
const rows = computed(() =>
  props.reports
    .toSorted((a, b) => Number(b.outcome === 'refused') - Number(a.outcome === 'refused') || a.row - b.row)
    .map(({ row, outcome, kind, name, errors }) => ({
      row: row + 1,
      outcome,
      what: [kind === null ? '' : t(`prepared.kind.${kind}`), name ?? ''].filter(Boolean).join(': '),
      errors: errors.map(({ path, reason, message }) => {
        const leaf = path.split('.').at(-1) ?? path
        const mend = i18n.te(`fieldIssue.${reason}`) ? t(`fieldIssue.${reason}`, 0) : message
        const label = `prepared.label.${leaf}`
        return i18n.te(label) ? t('files.error', { field: t(label), mend }) : mend
      }),
    })),
)
</script>

<template>
  <div class="stack">
    <p role="status">
      <strong>{{ t(isTaken ? 'files.taken' : 'files.preview', { file: fileName }) }}</strong>
      {{ counts.map(({ outcome, count }) => t(`files.count.${outcome}`, count)).join(' · ') }}
    </p>
    <div class="scroll" tabindex="0" :aria-label="t('files.table')" role="region">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ t('files.row') }}</th>
            <th scope="col">{{ t('files.what') }}</th>
            <th scope="col">{{ t('files.outcome') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in rows" :key="each.row" :class="each.outcome">
            <td class="figure">{{ each.row }}</td>
            <td>{{ each.what }}</td>
            <td>
              {{ t(`files.outcomeWord.${isTaken ? 'done' : 'would'}.${each.outcome}`) }}
              <ul v-if="each.errors.length > 0">
                <li v-for="says in each.errors" :key="says">{{ says }}</li>
              </ul>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.scroll {
  max-height: 60vh;
  overflow: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 6px 12px;
  border-bottom: 1px solid var(--mist);
  vertical-align: top;
}
.refused td {
  background: var(--plum-soft);
}
</style>
