<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'
import type { BarDevice } from '../../data/devices/barDevice.ts'

/** Whether something measures here, and what is odd about it, with what to do. */
const props = defineProps<{ device: BarDevice }>()
const { t } = useI18n()
const format = useFormat()

/** Less than this is a gauge at rest. */
const PRESSURE_FROM_BAR = 0.5

const says = computed(() => {
  const { state, trouble, name } = props.device
  if (state.value === 'none') return ''
  if (state.value !== 'here') return t(`device.state.${state.value}`)
  if (trouble.value !== null) return t(`device.trouble.${trouble.value}`)
  const { thermometer, pressure } = props.device.last.value
  return [
    t('device.state.here', { name: name.value }),
    ...(thermometer ? [format.quantity('temperature', thermometer.value)] : []),
    ...(pressure && pressure.value > PRESSURE_FROM_BAR
      ? [t('device.bar', { bar: pressure.value.toFixed(1) })]
      : []),
  ].join(' · ')
})
const isOdd = computed(() => props.device.state.value === 'gone' || props.device.trouble.value !== null)
</script>

<template>
  <span v-if="says" class="device" :class="{ odd: isOdd }" role="status">{{ says }}</span>
</template>

<style scoped>
.device {
  font-size: 0.8em;
  color: var(--ink-soft);
}
.odd {
  padding: 4px 12px;
  border-left: 4px solid var(--ochre);
  background: var(--ochre-soft);
  color: var(--ink);
}
</style>
