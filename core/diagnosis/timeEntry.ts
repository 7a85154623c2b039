import type { TimeShift } from '../reading/faultTimes.ts'
import type { Entry } from './evidenceTypes.ts'

/** What a fault does to the time, from the one place where that stands. */
export function timeEntry({ shift, spread }: TimeShift, because: string): Entry {
  return { on: 'time', shift, spread, because }
}
