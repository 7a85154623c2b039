<script setup lang="ts">
import type { RecipeRevision, TodayBasket, TodayGrinder } from '@calm-apron/contract'
import type { BarStep, Vessel } from '@calm-apron/core'
import { computed } from 'vue'
import type { BarDevice } from '../../data/devices/barDevice.ts'
import CupPanel from './panels/CupPanel.vue'
import DosePanel from './panels/DosePanel.vue'
import LookPanel from './panels/LookPanel.vue'
import PullPanel from './panels/PullPanel.vue'
import ReadyPanel from './panels/ReadyPanel.vue'
import TampPanel from './panels/TampPanel.vue'
import TastePanel from './panels/TastePanel.vue'
import { isLineFirst } from '../dose/doseMethod.ts'
import type { ReadDraft } from '../draft/readDraft.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import { unitAt, useIssueWords } from '../draft/useIssueWords.ts'
import type { ClockPhase } from '../run/useClockReading.ts'

/** The entries of one step of the bar, wherever they are asked for. */
const props = defineProps<{
  step: BarStep
  read: ReadDraft
  recipe: Pick<RecipeRevision, 'targets' | 'method' | 'coffeeId'> | null
  grinder: TodayGrinder | null
  vessels: readonly Vessel[]
  basket: TodayBasket | null
  /** null where nothing is being pulled: a correction is typed. */
  device: BarDevice | null
  phase: ClockPhase
}>()
const emit = defineEmits<{ lockedIn: [] }>()
const draft = defineModel<ShotDraft>({ required: true })
const issueWords = useIssueWords()
const targets = computed(() => props.recipe?.targets ?? null)

function issueAt(field: string): string | undefined {
  const found = props.read.issues.find((each) => each.field === field)
  return found && issueWords(found.issue, unitAt(found.field, draft.value.units))
}
</script>

<template>
  <ReadyPanel
    v-if="step === 'ready'"
    v-model="draft"
    :recipe="recipe"
    :grinder="grinder"
    :basket="basket"
    :issues="issueAt"
  />
  <DosePanel
    v-else-if="step === 'dose'"
    v-model="draft"
    :read="read.dose"
    :seen="read.facts.dose"
    :recipe="recipe"
    :vessels="vessels"
    :basket="basket"
    :grinder="grinder"
    :device="device"
    :issues="issueAt"
  />
  <TampPanel
    v-else-if="step === 'tamp'"
    v-model="draft"
    :recipe="recipe"
    :dose="read.facts.dose"
    :device="device"
    :issues="issueAt"
    @locked-in="emit('lockedIn')"
  />
  <PullPanel
    v-else-if="step === 'pull'"
    v-model="draft"
    :phase="phase"
    :recipe="targets"
    :is-line-first="isLineFirst(draft, recipe)"
    :issues="issueAt"
  />
  <CupPanel
    v-else-if="step === 'cup'"
    v-model="draft"
    :read="read.cup"
    :recipe="targets"
    :is-line-first="isLineFirst(draft, recipe)"
    :vessels="vessels"
    :issues="issueAt"
  />
  <LookPanel v-else-if="step === 'look'" v-model="draft" :issues="issueAt" />
  <TastePanel v-else v-model="draft" :issues="issueAt" />
</template>
