import { CAUSE_PLACES, type Cause, type CausePlace, PLACE_OF_FAULT } from '../diagnosis/causes.ts'
import type { SkillEntry } from './types.ts'

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
