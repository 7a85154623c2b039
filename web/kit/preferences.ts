import type { ClockHabit } from '@calm-apron/contract'
import { BASE_UNITS, type UnitChoice } from '@calm-apron/core'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'

export const TONES = ['device', 'light', 'dark'] as const
export type ToneChoice = (typeof TONES)[number]

/** What this device shows and how; never what is stored. */
export const usePreferences = defineStore('preferences', () => {
  const units = useLocalStorage<UnitChoice>('calm-apron.units', { ...BASE_UNITS }, { mergeDefaults: true })
  const tone = useLocalStorage<ToneChoice>('calm-apron.tone', 'device')
  /** As the academy tells the time of day; remembered, for a device that starts without network. */
  const clockHabit = useLocalStorage<ClockHabit>('calm-apron.clock-habit', '24-hours')
  return { units, tone, clockHabit }
})
