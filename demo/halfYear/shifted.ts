const MS_PER_DAY = 86_400_000
/** A date, or an instant: the only words of the kind in the half-year. */
const DATED = /"(\d{4}-\d{2}-\d{2})(T[\d:.]+Z)?"/g

/** The day up to which the half-year that ships was made. */
export const MADE_FOR = new Date('2026-01-01T00:00:00Z')

/**
 * The half-year that was made for one day as it is on another: all in it hangs on the day alone, so that it is moved by whole days.
 * @param json as it was made for `MADE_FOR`
 */
export function shiftedTo(now: Date, json: string): string {
  const days = Math.floor(now.getTime() / MS_PER_DAY) - Math.floor(MADE_FOR.getTime() / MS_PER_DAY)
  const moved = new Map<string, string>()
  const dayOf = (date: string) => {
    const known = moved.get(date)
    if (known !== undefined) return known
    const day = new Date(Date.parse(date) + days * MS_PER_DAY).toISOString().slice(0, 10)
    moved.set(date, day)
    return day
  }
  return json.replace(DATED, (_whole, date: string, time = '') => `"${dayOf(date)}${time}"`)
}
