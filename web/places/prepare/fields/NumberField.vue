<script setup lang="ts">
import { asTyped, fromBase, parseDecimal, toBase } from '@calm-apron/core'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberEntry from '../../../kit/parts/NumberEntry.vue'
import { usePreferences } from '../../../kit/preferences.ts'
import { unitOf } from './fieldUnit.ts'

/** A number of the contract, typed in the unit one has chosen; what can't be read is passed on as NaN, and refused there. */
const props = defineProps<{ name: string; label: string; hint?: string; issue?: string | undefined }>()
const value = defineModel<number | null>({ required: true })
const { t } = useI18n()
const preferences = usePreferences()

const unit = computed(() => {
  const found = unitOf(props.name)
  return found !== null && 'quantity' in found ? preferences.units[found.quantity] : null
})
const suffix = computed(() => {
  const found = unitOf(props.name)
  if (found === null) return undefined
  return 'word' in found ? t(`prepared.unit.${found.word}`) : t(`unit.${preferences.units[found.quantity]}`)
})

function shown(base: number | null): string {
  if (base === null || Number.isNaN(base)) return ''
  if (unit.value === null) return String(Math.round(base * 1e4) / 1e4)
  const typed = asTyped(unit.value, base)
  // What was typed more finely than the unit is shown stays as fine.
  return Number(typed) === fromBase(unit.value, base)
    ? typed
    : String(Math.round(fromBase(unit.value, base) * 1e3) / 1e3)
}

function read(typed: string): number | null {
  const parsed = parseDecimal(typed)
  if (parsed.ok) return unit.value === null ? parsed.value : toBase(unit.value, parsed.value)
  return parsed.code === 'empty' ? null : Number.NaN
}

const text = ref(shown(value.value))
watch(text, (typed) => {
  const base = read(typed)
  if (!Object.is(base, value.value)) value.value = base
})
watch([value, unit], ([base]) => {
  // Typing is never interrupted: only what came from elsewhere is written in.
  if (!Object.is(read(text.value), base)) text.value = shown(base)
})
</script>

<template>
  <NumberEntry
    v-model="text"
    :label="label"
    :issue="issue"
    v-bind="{ ...(hint !== undefined && { hint }), ...(suffix !== undefined && { suffix }) }"
  />
</template>
