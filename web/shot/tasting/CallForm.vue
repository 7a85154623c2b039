<script setup lang="ts">
import { CALL_MOVES, VERDICTS } from '@calm-apron/contract'
import {
  CAUSE_PLACES,
  type CallWord,
  FAULTS,
  FLOW_HEADINGS,
  PLACE_OF_FAULT,
  USUAL_FAULTS,
} from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref, useId } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import type { Said } from './useTasting.ts'

/** What someone makes of a shot: what it is, why, and what to change. Under- and over-extracted are said of what was tasted. */
const props = defineProps<{ action: string; isTasted: boolean }>()
const emit = defineEmits<{ said: [said: Said & { verdict: CallWord }] }>()
const { t } = useI18n()
const causeId = useId()

const verdict = ref<CallWord | null>(null)
const cause = ref<Said['cause']>(null)
const move = ref<Said['move']>(null)

const BY_EYE: readonly CallWord[] = [...FLOW_HEADINGS, 'uneven', 'unclear']
const verdicts = computed(() =>
  (props.isTasted ? VERDICTS : BY_EYE).map((value) => ({ value, label: t(`heading.${value}`) })),
)
const moves = CALL_MOVES.map((value) => ({ value, label: t(`call.move.${value}`) }))
const asOption = (value: NonNullable<Said['cause']>) => ({ value, label: t(`cause.${value}`) })
/** What is behind most shots first, then the rest by where it happens. */
const groups = computed(() => [
  { name: t('call.usual'), causes: [asOption('none'), ...USUAL_FAULTS.map(asOption)] },
  ...CAUSE_PLACES.map((place) => ({
    name: t(`call.place.${place}`),
    causes: FAULTS.filter((fault) => PLACE_OF_FAULT[fault] === place && !isUsual(fault)).map(asOption),
  })).filter(({ causes }) => causes.length > 0),
])
function isUsual(fault: (typeof FAULTS)[number]): boolean {
  return USUAL_FAULTS.some((usual) => usual === fault)
}

function say(): void {
  if (verdict.value !== null) emit('said', { verdict: verdict.value, cause: cause.value, move: move.value })
}
</script>

<template>
  <form class="call" @submit.prevent="say">
    <ChoiceRow v-model="verdict" :label="t('call.what')" :options="verdicts" />
    <div>
      <label :for="causeId">{{ t('call.why') }}</label>
      <select :id="causeId" v-model="cause" class="native">
        <option :value="null">{{ t('call.noCause') }}</option>
        <optgroup v-for="group in groups" :key="group.name" :label="group.name">
          <option v-for="each in group.causes" :key="each.value" :value="each.value">{{ each.label }}</option>
        </optgroup>
      </select>
    </div>
    <ChoiceRow v-model="move" :label="t('call.next')" :options="moves" />
    <PressButton kind="primary" is-large type="submit" :disabled="verdict === null">{{ action }}</PressButton>
  </form>
</template>

<style scoped>
.call {
  display: grid;
  gap: 20px;
  --touch: 56px;
}
.native {
  min-height: 56px;
}
.call :deep(.press-button) {
  min-height: 60px;
  font-size: 1.2rem;
}
</style>
