import { median, robustSd, weightedMean, weightedRobustSd } from '../statistics/robust.ts'
import { type ControlChart, type Signal, controlChart } from './controlChart.ts'
import { type MoreShots, moreShots } from './moreShots.ts'
import { type OnProbability, onAtLeast, onProbabilityOf } from './onProbability.ts'
import { shifts } from './shift.ts'
import { type SaidShift, shiftToSay } from './shiftToSay.ts'
import { type StandingCounts, type Tally, countsOf, tallyOf, withMoreOn } from './tally.ts'
import type { SkillEntry, SkillProgramme } from './types.ts'

/** A chart shows no more than the newest of them. */
export const SHOWN_SHOTS = 60
/** Signals older than this many shots no longer speak of today. */
const RECENT_SHOTS = 12
/** A baseline takes at least this many shots before those. */
const BASELINE_SHOTS = 12
/** No run of good shots longer than this is promised to anybody. */
const LONGEST_PROMISE = 40

/** How one skill is taught: off to one side, all over the place, both, or neither. */
export const SKILL_STORIES = [
  'too-few',
  'on-target',
  'steady-but-off',
  'scattered',
  'scattered-and-off',
  'seen-only',
] as const
export type SkillStory = (typeof SKILL_STORIES)[number]

/** What a run of one skill amounts to; measures are in tolerances. Below eight shots there are no figures at all. */
export interface SkillStanding {
  shots: number
  /** Those of them that decide the rung: of dose and yield the ones without help. */
  deciding: number
  counts: StandingCounts
  on: OnProbability | null
  bias: number | null
  spread: number | null
  chart: ControlChart | null
  recentWorsening: Signal[]
  /** A shift away from the target that is sure enough for a sentence. */
  shift: SaidShift | null
  rung: 'new' | 'learning' | 'steady' | 'ready'
  /** About how many more until it is steady, as they go on now; null where that can't be said, or it is. */
  moreToSteady: MoreShots | null
  /** Shots on in a row that would bring the next rung; null on the highest, or where it is further off than 40. */
  onShotsToNextRung: number | null
  story: SkillStory
}

/** What else the rung of a run hangs on. */
export interface RungTerms {
  /** Whether only shots without the tool's help decide. */
  isUnhelpedOnly?: boolean
  /** 0–1; null where no call was judged. */
  meanCallScore?: number | null
}

/**
 * Bias, robust spread, probability of *on*, chart and rung of one skill.
 * @param run the entries that count, oldest first
 */
export function assessRun(
  run: readonly SkillEntry[],
  programme: SkillProgramme,
  { isUnhelpedOnly = false, meanCallScore = null }: RungTerms = {},
): SkillStanding {
  const decides = run.filter(({ isHelped }) => !(isUnhelpedOnly && isHelped))
  const tally = tallyOf(
    decides.map(({ standing }) => standing),
    programme.halvingShots,
  )
  const figures = run.length < programme.leastShots ? NO_FIGURES : figuresOf(run, programme)
  const mayBeReady = figures.recentWorsening.length === 0 && (meanCallScore ?? 1) >= programme.callScoreFrom
  const rungAfter = (more: number) => rungOf(tally, decides.length, more, programme, mayBeReady)
  return {
    shots: run.length,
    deciding: decides.length,
    counts: countsOf(tally),
    on: decides.length < programme.leastShots ? null : onProbabilityOf(tally),
    ...figures,
    rung: run.length === 0 ? 'new' : rungAfter(0),
    moreToSteady:
      decides.length >= programme.leastShots && rungAfter(0) === 'learning'
        ? moreShots(tally, decides.length, programme)
        : null,
    onShotsToNextRung: shotsToNextRung(rungAfter),
    story: run.length < programme.leastShots ? 'too-few' : storyOf(figures.bias, figures.spread),
  }
}

type Figures = Pick<SkillStanding, 'bias' | 'spread' | 'chart' | 'recentWorsening' | 'shift'>
const NO_FIGURES: Figures = { bias: null, spread: null, chart: null, recentWorsening: [], shift: null }

function figuresOf(run: readonly SkillEntry[], { halvingShots }: SkillProgramme): Figures {
  const deviationsOf = (entries: readonly SkillEntry[]) =>
    entries.flatMap(({ deviation }) => (deviation === null ? [] : [deviation]))
  const deviations = deviationsOf(run.slice(-SHOWN_SHOTS))
  if (deviations.length < 2) return NO_FIGURES
  const chart = controlChart(deviations)
  // What was done lately says more of how they pull now.
  const weights = deviations.map((_each, at) => 2 ** ((at + 1 - deviations.length) / halvingShots))
  const bias = weightedMean(deviations, weights)
  return {
    bias,
    spread: weightedRobustSd(deviations, weights, bias),
    chart,
    recentWorsening: worsening(deviations, chart),
    shift: shiftToSay(deviationsOf(run)),
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

/** The rung with so many more shots on in a row. */
function rungOf(
  tally: Tally,
  shots: number,
  more: number,
  programme: SkillProgramme,
  mayBeReady: boolean,
): SkillStanding['rung'] {
  const all = shots + more
  if (all < programme.leastShots) return 'learning'
  const low = onAtLeast(more === 0 ? tally : withMoreOn(tally, more, programme.halvingShots))
  if (low < programme.steadyFrom) return 'learning'
  const isProven = all >= programme.readyLeastShots && low >= programme.readyFrom
  return isProven && mayBeReady ? 'ready' : 'steady'
}

/** More shots on never lower the rung, so the first that raises it is found by halving. */
function shotsToNextRung(rungAfter: (more: number) => SkillStanding['rung']): number | null {
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

function storyOf(bias: number | null, spread: number | null): SkillStory {
  if (bias === null || spread === null) return 'seen-only'
  const isOff = Math.abs(bias) > 1
  // Two thirds of normal shots lie within one spread: beyond the tolerance, most single shots miss.
  const isScattered = spread > 1
  if (isScattered) return isOff ? 'scattered-and-off' : 'scattered'
  return isOff ? 'steady-but-off' : 'on-target'
}
