<script setup lang="ts">
import type { Clock } from '@calm-apron/core'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { ClockPhase } from './useShotClock.ts'

const props = defineProps<{
  phase: ClockPhase
  pumpS: number
  dropS: number | null
  judgedBy: Clock
  isEstimated: boolean
  canUndo: boolean
}>()
const emit = defineEmits<{ next: []; stop: []; undo: [] }>()
const { t } = useI18n()

const faces = computed(() => {
  const pump = { clock: 'pump' as const, shown: props.pumpS.toFixed(1) }
  const drop = {
    clock: 'drop' as const,
    shown: props.dropS === null ? t('clock.notYet') : props.dropS.toFixed(1),
  }
  return props.judgedBy === 'pump' ? [pump, drop] : [drop, pump]
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
    </div>
    <div class="marks">
      <Button v-if="phase !== 'stopped'" type="primary" class="big" @click="emit('next')">
        {{ nextLabel }} <kbd>{{ t('bar.space') }}</kbd>
      </Button>
      <Button v-if="phase === 'waiting'" class="aside" @click="emit('stop')">{{ t('bar.stop') }}</Button>
      <Button v-if="canUndo" class="aside" @click="emit('undo')">{{ t('bar.undo') }} <kbd>u</kbd></Button>
    </div>
    <p v-if="isEstimated" class="soft" role="status">{{ t('bar.estimated') }}</p>
  </section>
</template>

<style scoped>
.clocks {
  display: flex;
  gap: 32px;
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
  font-size: 3.2rem;
  line-height: 1;
}
.judged .time {
  font-size: 6rem;
  font-weight: 600;
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
  height: 84px;
  font-size: 1.5em;
  font-weight: 700;
}
.big ~ .aside {
  height: 84px;
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
