import { CAUSE_PLACES, type Cause, type CausePlace, PLACE_OF_FAULT } from '../diagnosis/causes.ts'
import { SESSION_MS } from '../reading/recorded.ts'
import { median } from '../statistics/robust.ts'
import { READING_KINDS, type ReadingKind, type Skill, type SkillEntry } from './types.ts'

/** Where a call says a fault is: one of six places, or that nothing is wrong. */
export const CALLED_PLACES = [...CAUSE_PLACES, 'nothing'] as const
export type CalledPlace = (typeof CALLED_PLACES)[number]

/** What somebody named, and what it was, as far as that is known. */
export interface CalledAs {
  said: Cause
  truly: Cause
}

/** What was taken for what, and how often, the commonest first; of so many calls. */
export interface Confusion {
  calls: number
  right: number
  taken: { truly: CalledPlace; said: CalledPlace; times: number }[]
}

/** Of fewer calls nothing is said of what is taken for what. */
const LEAST_CALLS = 10

const placeOf = (cause: Cause): CalledPlace => (cause === 'none' ? 'nothing' : placeOfFault(cause))
const placeOfFault = (cause: Exclude<Cause, 'none'>): CausePlace => PLACE_OF_FAULT[cause]

/** What somebody takes for what when they name a cause, by where at the bar it happens; null below ten calls. */
export function confusionOf(calls: readonly CalledAs[]): Confusion | null {
  if (calls.length < LEAST_CALLS) return null
  const counts = new Map<string, Confusion['taken'][number]>()
  let right = 0
  for (const call of calls) {
    const [truly, said] = [placeOf(call.truly), placeOf(call.said)]
    if (truly === said) {
      right += 1
      continue
    }
    const key = `${truly} ${said}`
    const found = counts.get(key) ?? { truly, said, times: 0 }
    counts.set(key, { ...found, times: found.times + 1 })
  }
  const taken = [...counts.values()].sort((a, b) => b.times - a.times)
  return { calls: calls.length, right, taken }
}

/** How many of the newest shots were on, apart by whether the tool helped. */
export interface HelpApart {
  helped: { on: number; shots: number }
  alone: { on: number; shots: number }
}

/** @param run oldest or newest first */
export function helpApart(run: readonly SkillEntry[]): HelpApart {
  const of = (isHelped: boolean) => {
    const shots = run.filter((entry) => entry.isHelped === isHelped)
    return { on: shots.filter(({ standing }) => standing === 'on').length, shots: shots.length }
  }
  return { helped: of(true), alone: of(false) }
}

/** Sessions in which a first good shot is looked for. */
const LATE_SESSIONS = 5

/**
 * Which shot of a session is usually the first in which every judged reading was on, in the last five sessions: the median,
 * where more than half of them had one; null where they hadn't, or there were fewer than two.
 * @param runs oldest first
 */
export function firstGoodOf(runs: Readonly<Record<Skill, readonly SkillEntry[]>>): number | null {
  const shots = new Map<string, { atMs: number; isGood: boolean }>()
  for (const kind of READING_KINDS as readonly ReadingKind[])
    for (const { shotId, pulledAt, standing } of runs[kind]) {
      const isGood = standing === 'on' && shots.get(shotId)?.isGood !== false
      shots.set(shotId, { atMs: Date.parse(pulledAt), isGood })
    }
  const sessions = sessionsOf([...shots.values()].sort((a, b) => a.atMs - b.atMs)).slice(-LATE_SESSIONS)
  const firsts = sessions.map((session) => session.findIndex(({ isGood }) => isGood))
  const found = firsts.filter((at) => at >= 0).map((at) => at + 1)
  return sessions.length < 2 || found.length * 2 <= sessions.length ? null : Math.round(median(found))
}

function sessionsOf<S extends { atMs: number }>(shots: readonly S[]): S[][] {
  const sessions: S[][] = []
  for (const shot of shots) {
    const last = sessions.at(-1)
    const before = last?.at(-1)
    if (last === undefined || before === undefined || shot.atMs - before.atMs >= SESSION_MS)
      sessions.push([shot])
    else last.push(shot)
  }
  return sessions
}
