import { useIntervalFn, useNow } from '@vueuse/core'
import type { Ref } from 'vue'

/** The time of day, looked at every so many milliseconds while its component stands. */
export function useTimeOfDay(everyMs: number): Ref<Date> {
  return useNow({ scheduler: (look) => useIntervalFn(look, everyMs) })
}
