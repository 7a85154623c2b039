/** So many shots are told apart side by side. */
export const MOST_COMPARED = 4

/** Which shots stand side by side: their ids, and codes in place of their names where it is hidden which is which. */
export interface Compared {
  shotIds: string[]
  codes: string[]
  isBlind: boolean
}

/** As the address says it; what is no list of them is none. */
export function comparedIn(query: Readonly<Record<string, unknown>>): Compared {
  const listOf = (value: unknown) =>
    typeof value === 'string' ? value.split(',').filter((each) => each !== '') : []
  const shotIds = [...new Set(listOf(query['shots']))].slice(0, MOST_COMPARED)
  const codes = listOf(query['codes'])
  return { shotIds, codes, isBlind: query['blind'] === 'yes' && codes.length === shotIds.length }
}

/**
 * In another order, each with three figures of its own that say nothing of which it is.
 * @param random 0 to below 1
 */
export function hidden({ shotIds }: Pick<Compared, 'shotIds'>, random: () => number): Compared {
  const mixed = shotIds.map((shotId) => ({ shotId, at: random() })).sort((a, b) => a.at - b.at)
  const codes = new Set<string>()
  while (codes.size < mixed.length) codes.add(String(100 + Math.floor(900 * random())))
  return { shotIds: mixed.map(({ shotId }) => shotId), codes: [...codes], isBlind: true }
}

/** The address of it. */
export function queryFor({ shotIds, codes, isBlind }: Compared): Record<string, string> {
  return {
    shots: shotIds.join(','),
    ...(codes.length > 0 && { codes: codes.join(',') }),
    ...(isBlind && { blind: 'yes' }),
  }
}
