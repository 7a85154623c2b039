import { median, robustSd } from '../statistics/robust.ts'
import { type ControlChart, type Signal, controlChart } from './controlChart.ts'
import { type OnProbability, type StandingCounts, countStandings, onProbability } from './onProbability.ts'
import { shifts } from './shift.ts'
import type { JudgedReading, SkillProgramme } from './types.ts'

/** Signals older than this many shots no longer speak of today. */
const RECENT_SHOTS = 12
/** A baseline takes at least this many shots before those. */
const BASELINE_SHOTS = 12
/** No run of good shots longer than this is promised to anybody. */
const LONGEST_PROMISE = 40

/** How one reading is taught: off to one side, all over the place, both, or neither. */
export type SkillStory =
  'too-few' | 'on-target' | 'steady-but-off' | 'scattered' | 'scattered-and-off' | 'seen-only'

/** What a run of one reading amounts to. Measures are in the reading's own unit, null where it is only seen. */
export interface ReadingSkill {
  shots: number
  on: OnProbability
  counts: StandingCounts
  bias: number | null
  spread: number | null
  chart: ControlChart | null
  recentWorsening: Signal[]
  rung: 'new' | 'learning' | 'steady' | 'ready'
  /** Shots on in a row that would bring the next rung; null on the highest, or where it is further off than 40. */
  onShotsToNextRung: number | null
  story: SkillStory
}

/**
 * Bias, robust spread, probability of *on*, chart and rung of one reading.
 * @param run the trainee's readings that count, oldest first
 * @param tolerance the recipe's, in the reading's unit
 * @param meanCallScore 0–1, null where no call was judged
 */
export function assessReading(
  run: readonly JudgedReading[],
  tolerance: number,
  programme: SkillProgramme,
  meanCallScore: number | null = null,
): ReadingSkill {
  const standings = run.map(({ standing }) => standing)
  const deviations = run.flatMap(({ deviation }) => (deviation === null ? [] : [deviation]))
  const measured = deviations.length > 0
  const chart = controlChart(deviations)
  const recentWorsening = worsening(deviations, chart)
  const bias = measured ? median(deviations) : null
  const spread = deviations.length > 1 ? robustSd(deviations) : null
  const mayBeReady = recentWorsening.length === 0 && (meanCallScore ?? 1) >= programme.callScoreFrom
  const rungAfter = (more: number) =>
    rungOf([...standings, ...Array<'on'>(more).fill('on')], programme, mayBeReady)
  return {
    shots: run.length,
    on: onProbability(standings, programme.halvingShots),
    counts: countStandings(standings, programme.halvingShots),
    bias,
    spread,
    chart,
    recentWorsening,
    rung: rungAfter(0),
    onShotsToNextRung: shotsToNextRung(rungAfter),
    story: storyOf(run.length, bias, spread, tolerance, programme),
  }
}

/**
 * What speaks against a trainee of late: a shot far outside, or a shift from where the shots before lay. Runs on one
 * side and trends are shown on the chart, but chance alone makes too many of them to hold anyone back.
 */
function worsening(deviations: readonly number[], chart: ControlChart | null): Signal[] {
  const from = deviations.length - RECENT_SHOTS
  const outside = (chart?.signals ?? []).filter(
    ({ kind, at, isWorse }) => kind === 'outside' && isWorse && at >= from,
  )
  return [...outside, ...shiftsFrom(deviations, from)]
}

function shiftsFrom(deviations: readonly number[], from: number): Signal[] {
  if (from < BASELINE_SHOTS) return []
  const before = deviations.slice(0, from)
  const baseline = { centre: median(before), spread: robustSd(before) }
  if (baseline.spread === 0) return []
  return shifts(deviations.slice(from), baseline)
    .filter(({ side }) => side * baseline.centre >= 0)
    .map(({ at }): Signal => ({ kind: 'shift', at: from + at, isWorse: true }))
}

function rungOf(
  standings: readonly JudgedReading['standing'][],
  programme: SkillProgramme,
  mayBeReady: boolean,
): ReadingSkill['rung'] {
  if (standings.length === 0) return 'new'
  const { low } = onProbability(standings, programme.halvingShots)
  if (standings.length < programme.leastShots || low < programme.steadyFrom) return 'learning'
  const isProven = standings.length >= programme.readyLeastShots && low >= programme.readyFrom
  return isProven && mayBeReady ? 'ready' : 'steady'
}

/** More shots on never lower the rung, so the first that raises it is found by halving. */
function shotsToNextRung(rungAfter: (more: number) => ReadingSkill['rung']): number | null {
  const now = rungAfter(0)
  if (now === 'ready' || rungAfter(LONGEST_PROMISE) === now) return null
  let [below, from] = [0, LONGEST_PROMISE]
  while (from - below > 1) {
    const middle = Math.floor((below + from) / 2)
    if (rungAfter(middle) === now) below = middle
    else from = middle
  }
  return from
}

function storyOf(
  shots: number,
  bias: number | null,
  spread: number | null,
  tolerance: number,
  { leastShots }: SkillProgramme,
): SkillStory {
  if (shots < leastShots) return 'too-few'
  if (bias === null || spread === null) return 'seen-only'
  const isOff = Math.abs(bias) > tolerance
  // Two thirds of normal shots lie within one spread: beyond the tolerance, most single shots miss.
  const isScattered = spread > tolerance
  if (isScattered) return isOff ? 'scattered-and-off' : 'scattered'
  return isOff ? 'steady-but-off' : 'on-target'
}
