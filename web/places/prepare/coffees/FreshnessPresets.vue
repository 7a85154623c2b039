<script setup lang="ts">
import { FRESHNESS_PRESETS, FRESHNESS_WINDOWS, type FreshnessWindow } from '@calm-apron/core'
import PressButton from '../../../kit/parts/PressButton.vue'
import { useI18n } from 'vue-i18n'

/** Three schools of freshness, to start from. */
const emit = defineEmits<{ choose: [freshness: FreshnessWindow] }>()
const { t } = useI18n()
</script>

<template>
  <section :aria-label="t('prepare.freshnessPresets')">
    <p>{{ t('prepare.freshnessPresets') }}</p>
    <div class="actions">
      <PressButton
        v-for="key in FRESHNESS_PRESETS"
        :key="key"
        @click="emit('choose', { ...FRESHNESS_WINDOWS[key] })"
        >{{ t(`freshnessPreset.${key}`, { ...FRESHNESS_WINDOWS[key] }) }}</PressButton
      >
    </div>
  </section>
</template>
