<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useOpenRuns } from '../run/openRuns.ts'
import { useDrafts } from '../draft/drafts.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Half-entered shots of this device, each to go on with or throw away (and bring back). */
const { t } = useI18n()
const academy = useAcademy()
const drafts = useDrafts()
const format = useFormat()
const runs = useOpenRuns()
const thrownAway = ref<ShotDraft | null>(null)

onMounted(() => drafts.reload())

const nameOf = (draft: ShotDraft) =>
  t(draft.correcting ? 'today.correctionOf' : 'today.openShot', {
    person: academy.personName(draft.personId),
    recipe: academy.recipe(draft.recipeRevisionId)?.name ?? '',
  })
const rows = computed(() =>
  drafts.drafts.map((draft) => ({
    draft,
    name: nameOf(draft),
    since: t('today.openSince', {
      time: format.momentOf(draft.madeAt, academy.timeZone),
    }),
    to: { name: draft.correcting ? 'correct' : 'shot', params: { shotId: draft.shotId } },
  })),
)

async function throwAway(draft: ShotDraft): Promise<void> {
  thrownAway.value = draft
  // A run would keep it again.
  runs.close(draft.shotId)
  await drafts.drop(draft.shotId)
}

async function bringBack(): Promise<void> {
  if (!thrownAway.value) return
  await drafts.keep(thrownAway.value)
  thrownAway.value = null
  await drafts.reload()
}
</script>

<template>
  <section v-if="rows.length > 0 || thrownAway" aria-labelledby="unfinished">
    <h2 id="unfinished">{{ t('today.open') }}</h2>
    <ul class="rows">
      <li v-for="row in rows" :key="row.draft.shotId" class="row">
        <span> {{ row.name }}<br /><span class="soft">{{ row.since }}</span> </span>
        <RouterLink class="go-on" :to="row.to">{{ t('today.goOn') }}</RouterLink>
        <PressButton kind="text" @click="throwAway(row.draft)">{{ t('today.throwAway') }}</PressButton>
      </li>
    </ul>
    <p v-if="thrownAway" role="status">
      {{ t('today.thrownAway', { what: nameOf(thrownAway) }) }}
      <PressButton kind="link" @click="bringBack">{{ t('today.bringBack') }}</PressButton>
    </p>
  </section>
</template>

<style scoped>
.rows {
  display: grid;
  gap: 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
  border-bottom: 1px solid var(--mist);
  padding-bottom: 8px;
}
.row > :first-child {
  flex: 1;
}
.go-on {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  padding: 0 8px;
}
</style>
