/** What of an event tells when it happened. */
interface Timed {
  eventId: string
  at: string
  after?: string | null
}

interface Place {
  /** Its own time, or that of the latest it had seen, whichever is later. */
  at: string
  /** How many it had seen that bear this very time. */
  depth: number
}

/**
 * Events in the order in which they happened: each after the newest that whoever noted it had seen, then by time, then
 * by id. So a clock that is fast or slow puts nothing before what it answers.
 */
export function trainingOrder<E extends Timed>(events: readonly E[]): E[] {
  const byId = new Map(events.map((event) => [event.eventId, event]))
  const places = new Map<string, Place>()
  const placeOf = (event: E, seen: ReadonlySet<string>): Place => {
    const known = places.get(event.eventId)
    if (known !== undefined) return known
    const before = event.after == null || seen.has(event.after) ? undefined : byId.get(event.after)
    const place = { at: event.at, depth: 0 }
    if (before !== undefined) {
      const earlier = placeOf(before, new Set([...seen, event.eventId]))
      if (earlier.at >= event.at) Object.assign(place, { at: earlier.at, depth: earlier.depth + 1 })
    }
    places.set(event.eventId, place)
    return place
  }
  for (const event of events) placeOf(event, new Set([event.eventId]))
  const of = ({ eventId }: E) => places.get(eventId) ?? { at: '', depth: 0 }
  return [...events].sort(
    (a, b) =>
      of(a).at.localeCompare(of(b).at) ||
      of(a).depth - of(b).depth ||
      a.at.localeCompare(b.at) ||
      a.eventId.localeCompare(b.eventId),
  )
}
