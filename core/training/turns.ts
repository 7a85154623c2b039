import { nextSeat } from './nextSeat.ts'
import type { Seat } from './trainingState.ts'

/** Who does what at a group just now; null for nobody. */
export interface Turns {
  pulling: Seat | null
  /** Ticks steps, marks the stream, and makes a call of their own. */
  watching: Seat | null
  next: Seat | null
}

/**
 * One pulls, one watches, one is next. Where two stand at a group whoever is next watches; alone nobody does.
 * @param pulled shots pulled so far, by person, with those that are begun
 * @param pullingId who is at the group now; null for nobody
 */
export function turnsAt(
  seats: readonly Seat[],
  pulled: ReadonlyMap<string, number>,
  pullingId: string | null,
): Turns {
  const pulling = seats.find(({ personId }) => personId === pullingId) ?? null
  const others = seats.filter((seat) => seat !== pulling)
  const next = nextSeat(others.length > 0 ? others : seats, pulled)
  const watching = others.find((seat) => seat !== next) ?? (next === pulling ? null : next)
  return { pulling, watching: pulling === null ? null : watching, next }
}

/** The seats with one more, at the group at which the fewest stand; as they are where they are taken already. */
export function seatedToo(seats: readonly Seat[], personId: string): Seat[] {
  if (seats.some((seat) => seat.personId === personId)) return [...seats]
  const groups = new Map<string, Seat[]>()
  for (const seat of seats) {
    const key = `${seat.machineId ?? ''}:${seat.groupNo}`
    groups.set(key, [...(groups.get(key) ?? []), seat])
  }
  const [fewest] = [...groups.values()].sort((a, b) => a.length - b.length)
  const { machineId, groupNo } = fewest?.[0] ?? { machineId: null, groupNo: 0 }
  return [...seats, { personId, machineId, groupNo }]
}
