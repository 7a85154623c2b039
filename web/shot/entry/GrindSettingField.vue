<script setup lang="ts">
import type { TodayGrinder } from '@calm-apron/contract'
import { settingShown } from '@calm-apron/core'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberEntry from '../../kit/parts/NumberEntry.vue'
import { numberTyped } from '../draft/readEntry.ts'
import { usePrintedSetting } from './usePrintedSetting.ts'

/** The grind setting, typed as the grinder prints it: a number, or a number and a letter. */
const props = defineProps<{ grinder: TodayGrinder | null; issue?: string | undefined }>()
const text = defineModel<string>({ required: true })
const { t } = useI18n()

const letters = computed(() => props.grinder?.lettersPerNumber ?? 0)
const typed = usePrintedSetting(text, () => letters.value)
const hint = computed(() => {
  if (!props.grinder) return undefined
  const { minSetting, maxSetting, name: grinder, finerIs } = props.grinder
  const shown = (setting: number) => settingShown(setting, letters.value)
  return t('field.grindHint', {
    min: shown(minSetting),
    max: shown(maxSetting),
    grinder,
    finer: t(`field.${finerIs}`),
  })
})
/** On a scale with letters the mend is one of its own settings. */
const said = computed(() => {
  if (props.issue === undefined || !props.grinder || letters.value < 1) return props.issue
  if (numberTyped(text.value) !== null) return props.issue
  const { minSetting, maxSetting } = props.grinder
  return t('field.noSetting', { example: settingShown((minSetting + maxSetting) / 2 + 0.5, letters.value) })
})
</script>

<template>
  <NumberEntry
    v-model="typed"
    :label="t('fact.grindSetting.label')"
    :hint="hint"
    :issue="said"
    :has-letters="letters > 0"
  />
</template>
