<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import PressButton from '../../kit/parts/PressButton.vue'
import { toDataURL } from 'qrcode'
import { computed, ref, useId, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { PALETTES } from '../../kit/theme/tokens.ts'
import { useFormat } from '../../kit/units/useFormat.ts'
import type { MadeLink } from './useLink.ts'

/** A one-time link as text and as a picture for a phone. */
const props = defineProps<{ link: MadeLink; person: string }>()
const { t } = useI18n()
const academy = useAcademy()
const format = useFormat()
const id = useId()
// Over plain http, away from this machine, only the older way of copying is there.
const { copy, copied } = useClipboard({ legacy: true })
const picture = ref('')
const PICTURE_PX = 200
const isLoopback = computed(() => /^(localhost|127\.|\[::1\])/.test(new URL(props.link.address).hostname))

watch(
  () => props.link.address,
  async (address) => {
    // Cameras want dark on light, whatever the theme.
    const { ink: dark, raised: light } = PALETTES.light
    picture.value = await toDataURL(address, { width: PICTURE_PX, margin: 2, color: { dark, light } })
  },
  { immediate: true },
)
</script>

<template>
  <div class="link" role="group" :aria-label="t('people.linkTitle')">
    <p>
      {{
        t('people.linkShown', {
          person,
          date: format.dateOf(link.invitation.expiresAt, academy.timeZone),
          time: format.timeOf(link.invitation.expiresAt, academy.timeZone),
        })
      }}
    </p>
    <p v-if="isLoopback" class="loopback">{{ t('people.linkLoopback') }}</p>
    <div class="both">
      <img v-if="picture" :src="picture" :alt="t('people.linkQr')" :width="PICTURE_PX" :height="PICTURE_PX" />
      <div class="text">
        <label :for="id">{{ t('people.linkText') }}</label>
        <textarea :id="id" class="figure" readonly rows="4" :value="link.address" />
        <PressButton @click="copy(link.address)">{{ t('people.copy') }}</PressButton>
        <span role="status">{{ copied ? t('people.copied') : '' }}</span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.link {
  display: grid;
  gap: 12px;
  padding: 16px;
  border: 2px solid var(--pine);
  border-radius: 8px;
  background: var(--raised);
}
p {
  margin: 0;
}
.loopback {
  padding: 8px 12px;
  background: var(--ochre-soft);
  border-radius: 6px;
}
.both {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
}
.text {
  flex: 1 1 240px;
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: start;
}
textarea {
  width: 100%;
  padding: 8px;
  font-size: 0.875rem;
  color: inherit;
  background: var(--paper);
  border: 1px solid var(--edge);
  border-radius: 6px;
  resize: vertical;
}
</style>
