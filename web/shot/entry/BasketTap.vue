<script setup lang="ts">
import { SIDES, type Side } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ShotDraft } from '../draft/shotDraft.ts'

/** A basket from above: a tap in the middle is level, one at a side low there, a second one clearly so. */
const tamp = defineModel<ShotDraft['tamp']>({ required: true })
const { t } = useI18n()

const isLevel = computed(() => tamp.value.tilt === 'level')

function tap(side: Side): void {
  const { tilt, lowSide } = tamp.value
  const isAgain = lowSide === side && tilt === 'slight'
  // A tilt that was called clear before its side was named stays so.
  const isClear = isAgain || (tilt === 'clear' && lowSide === null)
  tamp.value = { ...tamp.value, tilt: isClear ? 'clear' : 'slight', lowSide: side }
}
function level(): void {
  tamp.value = { ...tamp.value, tilt: 'level', lowSide: null }
}
</script>

<template>
  <div class="basket" role="group" :aria-label="t('tamp.basket')">
    <button type="button" class="middle" :class="{ chosen: isLevel }" :aria-pressed="isLevel" @click="level">
      {{ t('fact.tilt.is.level') }}
    </button>
    <button
      v-for="side in SIDES"
      :key="side"
      type="button"
      class="side"
      :class="[side, { chosen: tamp.lowSide === side, clear: tamp.tilt === 'clear' }]"
      :aria-pressed="tamp.lowSide === side"
      @click="tap(side)"
    >
      <span class="visually-hidden">{{ t(`rail.low.${side}`) }}</span>
    </button>
  </div>
</template>

<style scoped>
.basket {
  position: relative;
  width: 184px;
  height: 184px;
  margin: 0 auto;
  border: 4px solid var(--edge);
  border-radius: 50%;
  background: var(--raised);
}
button {
  position: absolute;
  border: 2px solid transparent;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.middle {
  inset: 54px;
  border-color: var(--edge);
  border-radius: 50%;
}
.side {
  width: 68px;
  height: 56px;
}
.side::after {
  content: '';
  display: block;
  margin: auto;
  width: 30px;
  height: 8px;
  border-radius: 4px;
  background: var(--edge);
}
.left,
.right {
  width: 56px;
  height: 68px;
  top: 54px;
}
.left::after,
.right::after {
  width: 8px;
  height: 30px;
}
.left {
  left: 0;
}
.right {
  right: 0;
}
.front,
.back {
  left: 54px;
}
.front {
  bottom: 0;
}
.back {
  top: 0;
}
.middle.chosen {
  border-color: var(--pine);
  background: var(--pine-soft);
  font-weight: 700;
}
.side.chosen::after {
  background: var(--plum);
  outline: 3px solid var(--plum-soft);
}
.side.chosen.clear::after {
  outline: 6px solid var(--plum);
}
</style>
