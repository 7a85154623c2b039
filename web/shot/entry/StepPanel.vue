<script setup lang="ts">
import type { RecipeRevision, TodayBasket, TodayGrinder } from '@calm-apron/contract'
import type { Vessel } from '@calm-apron/core'
import { computed } from 'vue'
import type { BarDevice } from '../../data/devices/barDevice.ts'
import CupPanel from './panels/CupPanel.vue'
import DosePanel from './panels/DosePanel.vue'
import LookPanel from './panels/LookPanel.vue'
import PullPanel from './panels/PullPanel.vue'
import ReadyPanel from './panels/ReadyPanel.vue'
import TampPanel from './panels/TampPanel.vue'
import TastePanel from './panels/TastePanel.vue'
import type { DraftField, ReadDraft } from '../draft/readDraft.ts'
import type { BarStep, ShotDraft } from '../draft/shotDraft.ts'
import { useIssueWords } from '../draft/useIssueWords.ts'
import type { ClockPhase } from '../run/useShotClock.ts'

/** The entries of one step of the bar, wherever they are asked for. */
const props = defineProps<{
  step: BarStep
  read: ReadDraft
  recipe: Pick<RecipeRevision, 'targets' | 'method'> | null
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

const issueAt = (field: DraftField, unit: 's' | 'g' | null) =>
  issueWords(
    props.read.issues.find((each) => each.field === field)?.issue,
    unit === 'g' ? draft.value.massUnit : unit,
  )
</script>

<template>
  <ReadyPanel
    v-if="step === 'ready'"
    v-model="draft"
    :recipe="recipe"
    :grinder="grinder"
    :basket="basket"
    :grind-issue="issueAt('grind', null)"
    :prediction-issue="issueAt('prediction', 's')"
  />
  <DosePanel
    v-else-if="step === 'dose'"
    v-model="draft"
    :read="read.dose"
    :recipe="recipe"
    :vessels="vessels"
    :basket="basket"
    :device="device"
    :beans-issue="issueAt('beans', 'g')"
  />
  <TampPanel
    v-else-if="step === 'tamp'"
    v-model="draft"
    :recipe="recipe"
    :dose-g="read.dose.netG"
    :device="device"
    :force-issue="issueAt('force', null)"
    @locked-in="emit('lockedIn')"
  />
  <PullPanel
    v-else-if="step === 'pull'"
    v-model="draft"
    :phase="phase"
    :recipe="targets"
    :release-issue="issueAt('release', 's')"
    :first-drop-issue="issueAt('firstDrop', 's')"
    :stop-issue="issueAt('stop', 's')"
  />
  <CupPanel
    v-else-if="step === 'cup'"
    v-model="draft"
    :read="read.cup"
    :recipe="targets"
    :vessels="vessels"
    :second-cup-issue="issueAt('secondCup', 'g')"
    :ml-issue="issueAt('cupMl', null)"
  />
  <LookPanel v-else-if="step === 'look'" v-model="draft" />
  <TastePanel v-else v-model="draft" />
</template>
