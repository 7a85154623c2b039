<script setup lang="ts">
import type { Puck } from '@calm-apron/core'
import { useId } from 'vue'
import { useI18n } from 'vue-i18n'

/** The puck by drawings of our own: what was seen is faster found by its look than by its word. */
defineProps<{ label: string; options: readonly (Puck | null)[] }>()
const chosen = defineModel<Puck | null>({ required: true })
const { t } = useI18n()
const group = useId()
</script>

<template>
  <fieldset>
    <legend>{{ label }}</legend>
    <div class="pucks">
      <label v-for="puck in options" :key="String(puck)" class="puck" :class="{ chosen: chosen === puck }">
        <input v-model="chosen" type="radio" class="covers-label" :name="group" :value="puck" />
        <svg v-if="puck" viewBox="0 0 64 40" aria-hidden="true">
          <path v-if="puck === 'thin-side'" class="body" d="M6 12 L58 24 L58 32 L6 32 Z" />
          <path v-else-if="puck === 'soup'" class="body" d="M6 24 q8 -8 16 0 t16 0 t20 0 V32 H6 Z" />
          <g v-else-if="puck === 'powder'" class="grains">
            <circle v-for="n in 14" :key="n" :cx="8 + ((n * 17) % 50)" :cy="16 + ((n * 7) % 16)" r="2.4" />
          </g>
          <rect v-else class="body" x="6" y="12" width="52" height="20" rx="3" />
          <g v-if="puck === 'holes'" class="holes">
            <circle cx="20" cy="20" r="4" />
            <circle cx="42" cy="25" r="3" />
            <circle cx="33" cy="17" r="2.4" />
          </g>
        </svg>
        <span>{{ puck === null ? t('notSeen') : t(`fact.puck.is.${puck}`) }}</span>
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
.pucks {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 12px;
}
.puck {
  position: relative;
  min-height: 64px;
  padding: 6px;
  display: grid;
  justify-items: center;
  align-content: center;
  border: 2px solid var(--edge);
  border-radius: 8px;
  background: var(--raised);
  font-size: 0.8em;
  text-align: center;
  line-height: 1.1;
}
.puck.chosen {
  border-color: var(--pine);
  background: var(--pine-soft);
  font-weight: 700;
}
.puck:has(:focus-visible) {
  outline: 3px solid var(--cornflower);
  outline-offset: 2px;
}
svg {
  width: 56px;
}
.body,
.grains {
  fill: var(--ochre);
}
.holes {
  fill: var(--paper);
}
</style>
