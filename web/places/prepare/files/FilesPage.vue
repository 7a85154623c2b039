<script setup lang="ts">
import {
  API_BASE,
  ENDPOINTS,
  PREPARED_KINDS,
  type PreparedKind,
  type RowReport,
  isOfRoom,
} from '@calm-apron/contract'
import PressButton from '../../../kit/parts/PressButton.vue'
import { computed, ref, shallowRef, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../../data/api/client.ts'
import { allOf } from '../../../data/queries/preparedQuestions.ts'
import { useFailureWords } from '../../../kit/forms/useFailureWords.ts'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useDoor } from '../../../data/door/door.ts'
import ListHead from '../../../kit/parts/ListHead.vue'
import ImportReport from './ImportReport.vue'
import { coffeesToCsv } from './coffeeCsv.ts'
import { type FileRow, sendRows } from './importRows.ts'
import { onlyKinds, readPreparedFile } from './readFile.ts'

/** What is prepared, out to a file and in from one; nothing comes in before one has seen what it would do. */
const { t } = useI18n()
const failureWords = useFailureWords()
const door = useDoor()
const academy = useAcademy()
const rows = shallowRef<FileRow[]>([])
const reports = shallowRef<RowReport[]>([])
const phase = ref<'none' | 'looking' | 'previewed' | 'taking' | 'taken'>('none')
const failure = ref('')
const fileName = ref('')
const done = ref(0)
const isStopped = ref(false)
const id = useId()

const EXPORTS = {
  recipes: ['recipe'],
  equipment: ['bar', ...PREPARED_KINDS.filter(isOfRoom)],
} satisfies Record<string, readonly PreparedKind[]>
const canTake = computed(() =>
  reports.value.some(({ outcome }) => outcome === 'new' || outcome === 'changed'),
)

function say(error: unknown): void {
  failure.value = failureWords(error)
}
function save(name: string, type: string, text: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }))
  Object.assign(document.createElement('a'), { href: address, download: name }).click()
  URL.revokeObjectURL(address)
}
async function exportJson(what: keyof typeof EXPORTS | 'all'): Promise<void> {
  try {
    const file = await call(ENDPOINTS.exportPrepared)
    const things = what === 'all' ? file.things : onlyKinds(file.things, EXPORTS[what])
    save(`calm-apron-${what}.json`, 'application/json', JSON.stringify({ ...file, things }, null, 2))
  } catch (error) {
    say(error)
  }
}
async function exportCsv(): Promise<void> {
  try {
    save('calm-apron-coffees.csv', 'text/csv', coffeesToCsv(await allOf('coffee')))
  } catch (error) {
    say(error)
  }
}

async function choose(event: Event): Promise<void> {
  const file = event.target instanceof HTMLInputElement ? event.target.files?.[0] : undefined
  if (!file) return
  failure.value = ''
  reports.value = []
  phase.value = 'none'
  fileName.value = file.name
  try {
    const read = readPreparedFile(file.name, await file.text(), await allOf('coffee'))
    if (!read.ok) {
      failure.value = t(`files.issue.${read.issue}`)
      return
    }
    rows.value = read.rows
    await run('looking', true)
    phase.value = 'previewed'
  } catch (error) {
    say(error)
  }
}
async function take(): Promise<void> {
  try {
    await run('taking', false)
    phase.value = 'taken'
    await academy.load()
  } catch (error) {
    say(error)
  }
}
async function run(during: 'looking' | 'taking', isPreview: boolean): Promise<void> {
  phase.value = during
  done.value = 0
  isStopped.value = false
  reports.value = await sendRows(
    rows.value,
    isPreview,
    (count) => (done.value = count),
    () => isStopped.value,
  )
}
</script>

<template>
  <div class="stack">
    <ListHead :title="t('prepare.files')" :intro="t('files.intro')" />
    <section class="stack" aria-labelledby="out">
      <h2 id="out">{{ t('files.out') }}</h2>
      <div class="actions">
        <PressButton @click="exportJson('recipes')">{{ t('files.recipesJson') }}</PressButton>
        <PressButton @click="exportJson('equipment')">{{ t('files.equipmentJson') }}</PressButton>
        <PressButton @click="exportCsv">{{ t('files.coffeesCsv') }}</PressButton>
        <PressButton @click="exportJson('all')">{{ t('files.allJson') }}</PressButton>
      </div>
      <p class="soft">
        {{ t('files.schema') }} <a :href="`${API_BASE}/schemas/prepared.json`">{{ t('files.schemaLink') }}</a>
      </p>
    </section>
    <section v-if="door.may('prepare')" class="stack" aria-labelledby="in">
      <h2 id="in">{{ t('files.in') }}</h2>
      <p>{{ t('files.howIn') }}</p>
      <div>
        <label :for="id" class="file-label">{{ t('files.choose') }}</label>
        <input
          :id="id"
          type="file"
          accept=".json,.csv,application/json,text/csv"
          class="file"
          @change="choose"
        />
      </div>
      <p v-if="failure" role="alert" class="failure">{{ failure }}</p>
      <p v-if="phase === 'looking' || phase === 'taking'" role="status">
        {{ t('files.progress', { done, all: rows.length }) }}
        <PressButton @click="isStopped = true">{{ t('files.stop') }}</PressButton>
      </p>
      <template v-if="phase === 'previewed' || phase === 'taken'">
        <ImportReport :reports="reports" :is-taken="phase === 'taken'" :file-name="fileName" />
        <div v-if="phase === 'previewed'">
          <PressButton kind="primary" :disabled="!canTake" @click="take">{{ t('files.take') }}</PressButton>
        </div>
      </template>
    </section>
  </div>
</template>

<style scoped>
.file-label {
  display: block;
  margin-bottom: 4px;
}
.file {
  font: inherit;
  min-height: 44px;
  padding: 8px 0;
}
.file::file-selector-button {
  min-height: 44px;
  margin-right: 12px;
  padding: 0 16px;
  font: inherit;
  color: inherit;
  background: var(--raised);
  border: 1px solid var(--edge);
  border-radius: 6px;
}
.failure {
  margin: 0;
  padding: 8px 12px;
  background: var(--plum-soft);
}
</style>
