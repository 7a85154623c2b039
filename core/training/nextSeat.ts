import type { Seat } from './trainingState.ts'

/**
 * Whose turn it is among those at one group: whoever has pulled least so far, in the order in which they sit. Null
 * where nobody sits there.
 * @param pulled shots pulled so far, by person
 */
export function nextSeat(seats: readonly Seat[], pulled: ReadonlyMap<string, number>): Seat | null {
  const countOf = ({ personId }: Seat) => pulled.get(personId) ?? 0
  return seats.reduce<Seat | null>(
    (next, seat) => (next === null || countOf(seat) < countOf(next) ? seat : next),
    null,
  )
}
