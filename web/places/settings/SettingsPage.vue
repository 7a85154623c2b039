<script setup lang="ts">
import { UNITS } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import { TONES, usePreferences } from '../../kit/preferences.ts'

const { t } = useI18n()
const preferences = usePreferences()

function unitOptions<U extends string>(units: readonly U[]): { value: U; label: string }[] {
  return units.map((value) => ({ value, label: t(`unit.${value}`) }))
}
const tones = TONES.map((value) => ({ value, label: t(`settings.${value}`) }))
</script>

<template>
  <div class="settings">
    <h1 tabindex="-1">{{ t('settings.title') }}</h1>
    <section aria-labelledby="units">
      <h2 id="units">{{ t('settings.units') }}</h2>
      <p class="soft">{{ t('settings.unitsHint') }}</p>
      <ChoiceRow
        v-model="preferences.units.mass"
        :label="t('settings.mass')"
        :options="unitOptions(UNITS.mass)"
      />
      <ChoiceRow
        v-model="preferences.units.volume"
        :label="t('settings.volume')"
        :options="unitOptions(UNITS.volume)"
      />
      <ChoiceRow
        v-model="preferences.units.temperature"
        :label="t('settings.temperature')"
        :options="unitOptions(UNITS.temperature)"
      />
      <ChoiceRow
        v-model="preferences.units.force"
        :label="t('settings.force')"
        :options="unitOptions(UNITS.force)"
      />
    </section>
    <section aria-labelledby="tone">
      <h2 id="tone">{{ t('settings.tone') }}</h2>
      <ChoiceRow v-model="preferences.tone" :label="t('settings.tone')" :options="tones" is-label-hidden />
    </section>
  </div>
</template>

<style scoped>
.settings {
  max-width: 720px;
}
section {
  display: grid;
  gap: 16px;
  margin-top: 24px;
}
section > :is(h2, p) {
  margin: 0;
}
</style>
