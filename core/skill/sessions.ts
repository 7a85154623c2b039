import { inSessions } from '../reading/sessions.ts'
import { median } from '../statistics/robust.ts'
import { READING_KINDS, type Skill, type SkillEntry } from './types.ts'

type Runs = Readonly<Record<Skill, readonly SkillEntry[]>>

/** A shot as a whole: good when it was on in every reading that was judged. */
interface WholeShot {
  pulledAt: string
  isGood: boolean
}

/** Sessions in which a first good shot is looked for. */
const LATE_SESSIONS = 5

/**
 * Which shot of a session is usually the first in which every judged reading was on, in the last five sessions: the median,
 * where more than half of them had one; null where they hadn't, or there were fewer than two.
 * @param runs oldest first
 */
export function firstGoodOf(runs: Runs): number | null {
  const sessions = sessionsOf(runs).slice(-LATE_SESSIONS)
  const firsts = sessions.map((session) => session.findIndex(({ isGood }) => isGood))
  const found = firsts.filter((at) => at >= 0).map((at) => at + 1)
  return sessions.length < 2 || found.length * 2 <= sessions.length ? null : Math.round(median(found))
}

/** How many shots the newest session had, and how many of them were on in all that was judged; null before the first. */
export function lastSessionOf(runs: Runs): { shots: number; good: number } | null {
  const last = sessionsOf(runs).at(-1)
  return last === undefined ? null : { shots: last.length, good: last.filter(({ isGood }) => isGood).length }
}

function sessionsOf(runs: Runs): WholeShot[][] {
  const shots = new Map<string, WholeShot>()
  for (const kind of READING_KINDS)
    for (const { shotId, pulledAt, standing } of runs[kind]) {
      const isGood = standing === 'on' && shots.get(shotId)?.isGood !== false
      shots.set(shotId, { pulledAt, isGood })
    }
  return inSessions([...shots.values()].sort((a, b) => Date.parse(a.pulledAt) - Date.parse(b.pulledAt)))
}
