<script setup lang="ts">
import type { RecipeRevision } from '@calm-apron/contract'
import { type DoseFact, LOW_DOSE_RULES, TILTS, type Tilt, doseEstimate, isStepAsked } from '@calm-apron/core'
import PressButton from '../../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { BarDevice } from '../../../data/devices/barDevice.ts'
import { monotonicNowMs } from '../../../data/devices/steadyClock.ts'
import ChoiceRow from '../../../kit/parts/ChoiceRow.vue'
import { useAcademy } from '../../../data/academy/academy.ts'
import { useFormat } from '../../../kit/units/useFormat.ts'
import BasketTap from '../BasketTap.vue'
import SignLooks from '../../facts/SignLooks.vue'
import type { ShotDraft } from '../../draft/shotDraft.ts'
import { usePlatePress } from '../usePlatePress.ts'
import FactFields from '../../facts/FactFields.vue'
import type { FactIssues } from '../../facts/factIssues.ts'

const props = defineProps<{
  recipe: Pick<RecipeRevision, 'targets' | 'method'> | null
  dose: DoseFact | null
  device: BarDevice | null
  issues: FactIssues
}>()
const emit = defineEmits<{ lockedIn: [] }>()
const draft = defineModel<ShotDraft>({ required: true })
const { t } = useI18n()
const format = useFormat()
const academy = useAcademy()

const tilts = computed(() => [
  ...TILTS.map((value) => ({ value, label: t(`fact.tilt.is.${value}`) })),
  { value: null, label: t('answer.unknown') },
])
/** A level bed has no low side. */
const tilt = computed({
  get: () => draft.value.tamp.tilt,
  set: (seen: Tilt | null) => {
    draft.value.tamp.tilt = seen
    if (seen === null || seen === 'level') draft.value.tamp.lowSide = null
  },
})

const { pressedN, hasPlate } = usePlatePress(
  () => draft.value,
  () => props.device,
)

const isDoseLow = computed(() => {
  if (props.recipe === null) return false
  const { targets } = props.recipe
  const doseG = doseEstimate({ dose: props.dose }, targets)?.g ?? null
  return doseG !== null && doseG < targets.doseG - targets.doseToleranceG
})
/** As the recipe says, else as the room does. */
const houseRule = computed(
  () => props.recipe?.method.lowDoseRule ?? academy.bar(draft.value.barId)?.lowDoseRule ?? LOW_DOSE_RULES[0],
)
const rules = computed(() => LOW_DOSE_RULES.map((value) => ({ value, label: t(`fact.lowDose.is.${value}`) })))

/** Cup and scale are under the spout: from here on the scale reads the cup. */
function lockIn(): void {
  draft.value.lockedInAtMs = monotonicNowMs()
  draft.value.noted.lockedFirmly ??= true
  props.device?.order({ kind: 'tare' })
  emit('lockedIn')
}
</script>

<template>
  <div class="tamp">
    <BasketTap v-model="draft.tamp" />
    <ChoiceRow v-model="tilt" :label="t('fact.tilt.label')" :options="tilts" />
    <FactFields v-model="draft" step="tamp" place="first" :issues="issues" />
    <PressButton
      v-if="device && isStepAsked(draft.focus, 'pull')"
      kind="primary"
      is-large
      class="lock"
      @click="lockIn"
      >{{ t('tamp.lockedIn') }}</PressButton
    >
    <p v-if="hasPlate" class="figure force" role="status">
      {{
        t('tamp.force', {
          force: pressedN === null ? '–' : format.quantity('force', pressedN),
        })
      }}
    </p>
    <div v-if="isDoseLow" class="warn">
      <p>{{ t('tamp.lowDose', { rule: t(`fact.lowDose.is.${houseRule}`) }) }}</p>
      <ChoiceRow
        v-model="draft.noted.lowDose"
        :label="t('fact.lowDose.label')"
        :options="[...rules, { value: null, label: t('tamp.nothing') }]"
      />
    </div>
    <details>
      <summary>{{ t('tamp.more') }}</summary>
      <div class="more">
        <SignLooks v-model="draft" step="tamp" />
        <FactFields v-model="draft" step="tamp" place="more" :issues="issues" />
      </div>
    </details>
    <p class="soft">{{ t('tamp.posture') }}</p>
  </div>
</template>

<style scoped>
.tamp,
.more {
  display: grid;
  gap: 12px;
}
.tamp > p {
  margin: 0;
}
.force {
  font-size: 1.5em;
}
.warn {
  padding: 8px 12px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
}
.lock {
  height: 64px;
  font-weight: 700;
}
</style>
