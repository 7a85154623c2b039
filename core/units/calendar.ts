import { keptFormats } from './keptFormats.ts'

/** The calendar date, `YYYY-MM-DD`, of an instant in a time zone. */
export function dateInZone(instant: Date, timeZone: string): string {
  return formatFor(timeZone).format(instant)
}

/** Sweden writes its dates just so. */
const formatFor = keptFormats((timeZone: string) => new Intl.DateTimeFormat('sv-SE', { timeZone }))
