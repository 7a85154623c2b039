/** The calendar date, `YYYY-MM-DD`, of an instant in a time zone. */
export function dateInZone(instant: Date, timeZone: string): string {
  const format = formats.get(timeZone) ?? new Intl.DateTimeFormat('sv-SE', { timeZone })
  formats.set(timeZone, format)
  return format.format(instant)
}

/** Sweden writes its dates just so. To make a format takes as long as to use it a hundred times. */
const formats = new Map<string, Intl.DateTimeFormat>()
