<script setup lang="ts">
import type { TodayGrinder } from '@calm-apron/contract'
import type { Recipe, Vessel } from '@calm-apron/core'
import CupPanel from './panels/CupPanel.vue'
import DosePanel from './panels/DosePanel.vue'
import LookPanel from './panels/LookPanel.vue'
import PullPanel from './panels/PullPanel.vue'
import ReadyPanel from './panels/ReadyPanel.vue'
import TampPanel from './panels/TampPanel.vue'
import TastePanel from './panels/TastePanel.vue'
import type { DraftField, ReadDraft } from './readDraft.ts'
import type { BarStep, ShotDraft } from './shotDraft.ts'
import { useIssueWords } from './useIssueWords.ts'
import type { ClockPhase } from './useShotClock.ts'

/** The entries of one step of the bar, wherever they are asked for. */
const props = defineProps<{
  step: BarStep
  read: ReadDraft
  recipe: Recipe | null
  grinder: TodayGrinder | null
  vessels: readonly Vessel[]
  phase: ClockPhase
}>()
const draft = defineModel<ShotDraft>({ required: true })
const issueWords = useIssueWords()

const issueAt = (field: DraftField, unit: 's' | null) =>
  issueWords(props.read.issues.find((each) => each.field === field)?.issue, unit)
</script>

<template>
  <ReadyPanel
    v-if="step === 'ready'"
    v-model="draft"
    :grinder="grinder"
    :grind-issue="issueAt('grind', null)"
  />
  <DosePanel
    v-else-if="step === 'dose'"
    v-model="draft"
    :read="read.dose"
    :recipe="recipe"
    :vessels="vessels"
  />
  <TampPanel v-else-if="step === 'tamp'" v-model="draft" />
  <PullPanel
    v-else-if="step === 'pull'"
    v-model="draft"
    :phase="phase"
    :recipe="recipe"
    :first-drop-issue="issueAt('firstDrop', 's')"
    :stop-issue="issueAt('stop', 's')"
  />
  <CupPanel v-else-if="step === 'cup'" v-model="draft" :read="read.cup" :recipe="recipe" :vessels="vessels" />
  <LookPanel v-else-if="step === 'look'" v-model="draft" />
  <TastePanel v-else v-model="draft" />
</template>
