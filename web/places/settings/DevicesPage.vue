<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTones } from '../../kit/tones.ts'
import DeviceNote from '../../shot/entry/DeviceNote.vue'
import { addressIssue } from '../../data/devices/deviceAddress.ts'
import { isSecurePage, useDevices } from '../../data/devices/devices.ts'
import { lineDevice } from '../../data/devices/lineDevice.ts'
import type { BarDevice } from '../../data/devices/barDevice.ts'
import FormField from '../../kit/forms/FormField.vue'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Where this tablet finds its scale and the rest; nothing of it is needed, all can be typed. */
const { t } = useI18n()
const format = useFormat()
const devices = useDevices()
const { isMuted } = useTones()
const text = ref(devices.address)
const issue = ref<string>()
const trying = shallowRef<BarDevice | null>(null)

/** The start command puts it one port further than the app. */
const STAND_IN = `ws://127.0.0.1:${Number(location.port || 80) + 1}`

function keep(address: string): void {
  const wrong = addressIssue(address, isSecurePage())
  issue.value = wrong === null ? undefined : t(`device.issue.${wrong}`)
  if (wrong !== null) return
  text.value = address
  devices.address = address.replace(/\/+$/, '')
  attempt()
}
function attempt(): void {
  trying.value?.close()
  const isGood = addressIssue(devices.address, isSecurePage()) === null
  trying.value = devices.address === '' || !isGood ? null : lineDevice(`${devices.address}/try`)
}
attempt()
onScopeDispose(() => trying.value?.close())

const weight = computed(() => trying.value?.last.value.scale?.value ?? null)
</script>

<template>
  <div class="stack">
    <h1 tabindex="-1">{{ t('device.title') }}</h1>
    <p>{{ t('device.intro') }}</p>
    <form class="stack" @submit.prevent="keep(text.trim())">
      <FormField
        v-model="text"
        :label="t('device.address')"
        :hint="t('device.addressHint', { address: STAND_IN })"
        :issue="issue"
      />
      <div class="actions">
        <PressButton kind="primary" type="submit">{{ t('device.keep') }}</PressButton>
        <PressButton @click="keep(STAND_IN)">{{ t('device.useStandIn') }}</PressButton>
        <PressButton v-if="devices.address" @click="keep('')">{{ t('device.byHand') }}</PressButton>
      </div>
    </form>
    <p v-if="trying" aria-live="polite">
      <DeviceNote :device="trying" />
      <span v-if="weight !== null" class="figure">
        {{ t('device.now', { weight: format.mass(weight) }) }}</span
      >
    </p>
    <p v-else class="soft">{{ t('device.none') }}</p>
    <label class="sound"><input v-model="isMuted" type="checkbox" />{{ t('device.mute') }}</label>
  </div>
</template>

<style scoped>
.stack {
  max-width: 720px;
}
.sound {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 44px;
}
.sound input {
  width: 24px;
  height: 24px;
}
</style>
