import { BASE_UNITS, type UnitChoice } from '@calm-apron/core'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'

export const TONES = ['device', 'light', 'dark'] as const
export type ToneChoice = (typeof TONES)[number]

/** What this device shows and how; never what is stored. */
export const usePreferences = defineStore('preferences', () => {
  const units = useLocalStorage<UnitChoice>('calm-apron.units', { ...BASE_UNITS }, { mergeDefaults: true })
  const tone = useLocalStorage<ToneChoice>('calm-apron.tone', 'device')
  return { units, tone }
})
