/** The calendar date, `YYYY-MM-DD`, of an instant in a time zone. */
export function dateInZone(instant: Date, timeZone: string): string {
  // Sweden writes its dates just so.
  return instant.toLocaleDateString('sv-SE', { timeZone })
}
