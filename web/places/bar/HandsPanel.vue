<script setup lang="ts">
import type { DeviceOrder } from '@calm-apron/contract'
import type { Vessel } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'
import { numberTyped } from '../../shot/draft/readEntry.ts'
import type { ShotRun } from '../../shot/run/shotRuns.ts'

/** What hands do at a simulated bench, which has none of its own: only there. */
const props = defineProps<{ run: ShotRun }>()
const { t } = useI18n()
const format = useFormat()
const { draft, vessels, recipe, device } = props.run

/** A usual press, and a vessel where the room has none with a weight. */
const PRESS_N = 130
const NO_VESSEL_G = 200
const PINCH_G = 0.5

const doseG = computed(() => recipe.value?.targets.doseG ?? 0)
function emptyG(kind: Vessel['kind']): number {
  return vessels.value.find((vessel) => vessel.kind === kind)?.emptyG ?? NO_VESSEL_G
}
const order = (...orders: DeviceOrder[]) => orders.forEach((each) => device.order(each))

function grind(): void {
  const setting = numberTyped(draft.texts.grindSetting)
  order(
    { kind: 'bench', doseG: doseG.value, ...(setting !== null && { setting }) },
    { kind: 'put', vesselG: emptyG('portafilter'), contentG: doseG.value },
  )
}
function press(): void {
  order({ kind: 'bench', tilt: draft.tamp.tilt ?? 'level' }, { kind: 'press', forceN: PRESS_N })
}
</script>

<template>
  <details class="hands">
    <summary>{{ t('hands.title') }}</summary>
    <div class="acts">
      <PressButton @click="order({ kind: 'put', vesselG: emptyG('portafilter'), contentG: 0 })">{{
        t('hands.portafilter')
      }}</PressButton>
      <PressButton @click="grind">{{ t('hands.grind', { dose: format.mass(doseG) }) }}</PressButton>
      <PressButton @click="order({ kind: 'add', g: PINCH_G })">{{
        t('hands.add', { amount: format.massApart(PINCH_G) })
      }}</PressButton>
      <PressButton @click="order({ kind: 'add', g: -PINCH_G })">{{
        t('hands.remove', { amount: format.massApart(PINCH_G) })
      }}</PressButton>
      <PressButton @click="press">{{ t('hands.press') }}</PressButton>
      <PressButton @click="order({ kind: 'put', vesselG: emptyG('cup'), contentG: 0 })">{{
        t('hands.cup')
      }}</PressButton>
      <PressButton @click="order({ kind: 'take' })">{{ t('hands.take') }}</PressButton>
    </div>
  </details>
</template>

<style scoped>
.hands {
  margin-top: 12px;
  font-size: 0.8em;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  padding-top: 8px;
}
.acts :deep(.press-button) {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 16px;
}
</style>
