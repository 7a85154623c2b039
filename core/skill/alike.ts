import { standingOf } from '../reading/measure.ts'
import { SESSION_MS } from '../reading/recorded.ts'
import type { Readings } from '../reading/types.ts'
import { median } from '../statistics/robust.ts'
import type { SkillEntry } from './types.ts'

/** A shot is held against so many before it at the same setting. */
const [FEWEST_BEFORE, MOST_BEFORE] = [2, 4]
/** The last five within 3 s: each within half of that of the middle one. A working value of houses that train so. */
const ALIKE_S = 1.5
/** Others' shots must be so many, over so long, before they say how a bar drifts. */
const [DRIFT_SHOTS, DRIFT_MS] = [4, 20 * 60_000]

/** A shot as it is held against others at one locked setting. */
export interface AlikeShot {
  shotId: string
  pulledAt: string
  isHelped: boolean
  /** What must be the same: grinder, setting, recipe, bag. Null: not known, and held against nothing. */
  lock: string | null
  readings: Pick<Readings, 'dose' | 'yield' | 'timeAtTarget'>
}

/** Another's shot, by which it is told how the bar drifts. */
export interface OthersShot {
  pulledAt: string
  lock: string
  timeS: number
}

/**
 * How alike somebody's shots are at one locked setting, whoever set it: time less the drift that others' shots show, dose and yield,
 * each against the shots before it. The one furthest off stands for the shot, in tolerances.
 * @param shots oldest first
 */
export function alikeRun(shots: readonly AlikeShot[], others: readonly OthersShot[]): SkillEntry[] {
  return shots.flatMap((shot, index): SkillEntry[] => {
    if (shot.lock === null) return []
    const before = shots
      .slice(0, index)
      .filter((each) => isBefore(each, shot))
      .slice(-MOST_BEFORE)
    if (before.length < FEWEST_BEFORE) return []
    const apart = furthest([
      timeApart(shot, before, others),
      apartIn('dose', shot, before),
      apartIn('yield', shot, before),
    ])
    if (apart === null) return []
    const { shotId, pulledAt, isHelped } = shot
    return [{ shotId, pulledAt, isHelped, deviation: apart, standing: standingOf(apart, 1) }]
  })
}

/** The range of the times of the last five at one setting, in s; null under three. */
export function lastRangeS(shots: readonly AlikeShot[]): number | null {
  const last = shots.at(-1)
  if (last === undefined || last.lock === null) return null
  const run = [...shots.slice(0, -1).filter((each) => isBefore(each, last)), last]
  const times = run.slice(-MOST_BEFORE - 1).flatMap((each) => timeOf(each) ?? [])
  return times.length <= FEWEST_BEFORE ? null : Math.max(...times) - Math.min(...times)
}

function isBefore(one: AlikeShot, other: AlikeShot): boolean {
  const apartMs = Date.parse(other.pulledAt) - Date.parse(one.pulledAt)
  return one.lock === other.lock && apartMs > 0 && apartMs < SESSION_MS
}

/** The second at target where it is known, and not only bounded. */
export function timeOf({ readings: { timeAtTarget } }: Pick<AlikeShot, 'readings'>): number | null {
  return timeAtTarget.kind === 'known' ? timeAtTarget.s : null
}

function timeApart(
  shot: AlikeShot,
  before: readonly AlikeShot[],
  others: readonly OthersShot[],
): number | null {
  const own = timeOf(shot)
  const drift = driftPerMs(shot, others)
  const were = before.flatMap((each) => {
    const timeS = timeOf(each)
    // Where it would lie by now.
    return timeS === null ? [] : [timeS + drift * (Date.parse(shot.pulledAt) - Date.parse(each.pulledAt))]
  })
  return own === null || were.length < FEWEST_BEFORE ? null : (own - median(were)) / ALIKE_S
}

/**
 * How others' shots at the same setting went longer or shorter with time, in s a ms: the median of all slopes between two of them
 * (P. K. Sen, JASA 63, 1968). 0 where too few of them, over too short a while, say anything.
 */
function driftPerMs({ lock, pulledAt }: AlikeShot, others: readonly OthersShot[]): number {
  const at = Date.parse(pulledAt)
  const here = others
    .filter((each) => each.lock === lock && Math.abs(Date.parse(each.pulledAt) - at) < SESSION_MS)
    .map((each) => ({ at: Date.parse(each.pulledAt), timeS: each.timeS }))
  const times = here.map((each) => each.at)
  if (here.length < DRIFT_SHOTS || Math.max(...times) - Math.min(...times) < DRIFT_MS) return 0
  return median(
    here.flatMap((one, index) =>
      here
        .slice(index + 1)
        .flatMap((other) => (one.at === other.at ? [] : [(other.timeS - one.timeS) / (other.at - one.at)])),
    ),
  )
}

function apartIn(kind: 'dose' | 'yield', shot: AlikeShot, before: readonly AlikeShot[]): number | null {
  const reading = shot.readings[kind]
  if (!reading.judged || reading.seen !== null) return null
  const were = before.flatMap(({ readings: { [kind]: its } }) =>
    its.judged && its.seen === null ? [its.value] : [],
  )
  if (were.length < FEWEST_BEFORE) return null
  return inTolerances(reading.value - median(were), reading.tolerance)
}

/** The finest that a bar's scales tell, where a recipe wants a thing exactly. */
const LEAST_TOLERANCE = 0.1

/** A deviation in tolerances of its reading. */
export function inTolerances(deviation: number, tolerance: number): number {
  return deviation / Math.max(tolerance, LEAST_TOLERANCE)
}

function furthest(apart: readonly (number | null)[]): number | null {
  const known = apart.flatMap((each) => each ?? [])
  return known.length === 0 ? null : known.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a))
}
