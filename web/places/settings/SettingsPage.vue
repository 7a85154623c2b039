<script setup lang="ts">
import { type Quantity, UNITS, type Unit } from '@calm-apron/core'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import { TONES, usePreferences } from '../../kit/preferences.ts'

const { t } = useI18n()
const preferences = usePreferences()

function unitOptions(units: readonly Unit[]): { value: Unit; label: string }[] {
  return units.map((value) => ({ value, label: t(`unit.${value}`) }))
}
// Object.keys forgets that the keys are quantities.
const QUANTITIES = Object.keys(UNITS) as Quantity[]
/** Of the units of that quantity alone. */
function choose(quantity: Quantity, unit: Unit): void {
  Object.assign(preferences.units, { [quantity]: unit })
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
        v-for="quantity in QUANTITIES"
        :key="quantity"
        :label="t(`settings.${quantity}`)"
        :options="unitOptions(UNITS[quantity])"
        :model-value="preferences.units[quantity]"
        @update:model-value="choose(quantity, $event)"
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
