<script setup lang="ts">
import { type Clock, asTyped } from '@calm-apron/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { usePreferences } from '../../kit/preferences.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import type { ClockPhase } from '../../shot/run/useClockReading.ts'

const props = defineProps<{
  phase: ClockPhase
  pumpS: number
  dropS: number | null
  pressureS: number | null
  judgedBy: Clock
  isEstimated: boolean
  canUndo: boolean
  canRelease: boolean
  /** The first drop is what its clock begins with: whoever has only that starts there. */
  canStartAtDrop: boolean
  /** null where no scale stands under the cup. */
  weightG: number | null
  flowGPerS: number | null
  isStopCued: boolean
}>()
const emit = defineEmits<{ next: []; stop: []; release: []; undo: []; dropped: [] }>()
const { t } = useI18n()
const format = useFormat()
const preferences = usePreferences()
const unit = computed(() => t(`unit.${preferences.units.mass}`))

const faces = computed(() => {
  const shown = { pump: props.pumpS, drop: props.dropS, pressure: props.pressureS }
  const others = (['pump', 'drop', 'pressure'] as const).filter(
    (clock) => clock !== props.judgedBy && (clock !== 'pressure' || props.pressureS !== null),
  )
  return [props.judgedBy, ...others].map((clock) => {
    const seconds = shown[clock]
    return { clock, shown: seconds === null ? t('clock.notYet') : seconds.toFixed(1) }
  })
})
const nextLabel = computed(
  () =>
    ({
      before: t('bar.start'),
      waiting: t('bar.firstDrop'),
      flowing: t('bar.stop'),
      stopped: t('bar.stopped'),
    })[props.phase],
)
</script>

<template>
  <section class="face" :aria-label="t('bar.theShot')">
    <div class="clocks">
      <div v-for="(face, index) in faces" :key="face.clock" class="clock" :class="{ judged: index === 0 }">
        <span class="label">{{ t(`clock.${face.clock}`) }}</span>
        <span class="figure time" :data-clock="face.clock">{{ face.shown }}</span>
      </div>
      <div v-if="weightG !== null" class="clock weight">
        <span class="label">{{
          flowGPerS === null
            ? t('bar.inCup', { unit })
            : t('bar.inCupFlowing', { unit, flow: format.flow(flowGPerS) })
        }}</span>
        <span class="figure time" data-weight>{{ asTyped(preferences.units.mass, weightG) }}</span>
      </div>
    </div>
    <div class="marks">
      <PressButton
        v-if="phase !== 'stopped'"
        kind="primary"
        class="big"
        :class="{ cued: isStopCued }"
        @click="emit('next')"
      >
        {{ isStopCued ? t('bar.stopNow') : nextLabel }} <kbd>{{ t('bar.space') }}</kbd>
      </PressButton>
      <PressButton v-if="canStartAtDrop && phase === 'before'" class="aside" @click="emit('dropped')">{{
        t('bar.dropped')
      }}</PressButton>
      <PressButton v-if="canRelease" class="aside" @click="emit('release')">{{
        t('bar.release')
      }}</PressButton>
      <PressButton v-if="phase === 'waiting'" class="aside" @click="emit('stop')">{{
        t('bar.stop')
      }}</PressButton>
      <PressButton v-if="canUndo" class="aside" @click="emit('undo')"
        >{{ t('bar.undo') }} <kbd>u</kbd></PressButton
      >
    </div>
    <p v-if="isEstimated" class="soft" role="status">{{ t('bar.estimated') }}</p>
  </section>
</template>

<style scoped>
.clocks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
  align-items: end;
}
.clock {
  display: grid;
}
.label {
  font-size: 0.8em;
  color: var(--ink-soft);
}
.time {
  font-size: 2.2rem;
  line-height: 1;
}
.judged .time,
.weight .time {
  font-size: 4.2rem;
  font-weight: 600;
}
.weight {
  margin-left: auto;
  text-align: right;
}
.judged .label {
  color: var(--ink);
  font-weight: 700;
}
.marks {
  display: flex;
  gap: 12px;
  margin-top: 12px;
}
.big {
  flex: 1;
  height: 76px;
  font-size: 1.5em;
  font-weight: 700;
}
.big.cued {
  outline: 6px solid var(--ochre);
}
.big ~ .aside {
  height: 76px;
}
kbd {
  margin-left: 8px;
  font-family: var(--figure-font);
  font-size: 0.7em;
  font-weight: 400;
  opacity: 0.9;
}
@media (pointer: coarse) {
  kbd {
    display: none;
  }
}
</style>
