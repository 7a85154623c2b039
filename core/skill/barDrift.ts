import type { Readings } from '../reading/types.ts'

/** A shot of a day, as it is held against everyone's. */
export interface DayShot {
  personId: string
  pulledAt: string
  grinderId: string
  recipeRevisionId: string
  time: Readings['time']
}

/** What runs off for everybody at one grinder by one recipe: the bar, and not any one of them. */
export interface BarDrift {
  grinderId: string
  recipeRevisionId: string
  direction: 'fast' | 'slow'
  /** When the first of those shots was pulled. */
  since: string
  shots: number
  people: number
}

/** So many shots running, of so many people: chance alone, or one pair of hands, hardly does that. */
const [FEWEST_SHOTS, FEWEST_PEOPLE] = [5, 2]

/**
 * Where the newest shots of a day were all off their window on one side, whoever pulled them.
 * @param shots oldest first
 */
export function barDrifts(shots: readonly DayShot[]): BarDrift[] {
  const ofWhat = ({ grinderId, recipeRevisionId }: DayShot) => `${grinderId} ${recipeRevisionId}`
  const groups = [...new Set(shots.map(ofWhat))].map((what) => shots.filter((each) => ofWhat(each) === what))
  return groups.flatMap((group) => driftOf(group) ?? [])
}

function driftOf(group: readonly DayShot[]): BarDrift | null {
  const judged = group.filter(({ time }) => time.judged).toReversed()
  const side = sideOf(judged[0])
  const end = judged.findIndex((shot) => sideOf(shot) !== side)
  const running = end === -1 ? judged : judged.slice(0, end)
  const first = running.at(-1)
  const people = new Set(running.map(({ personId }) => personId)).size
  if (side === null || first === undefined) return null
  if (running.length < FEWEST_SHOTS || people < FEWEST_PEOPLE) return null
  const { grinderId, recipeRevisionId, pulledAt: since } = first
  return { grinderId, recipeRevisionId, direction: side, since, shots: running.length, people }
}

/** null: in its window. */
function sideOf(shot: DayShot | undefined): BarDrift['direction'] | null {
  if (shot === undefined || !shot.time.judged || shot.time.standing === 'on') return null
  return shot.time.direction === 'under' ? 'fast' : 'slow'
}
