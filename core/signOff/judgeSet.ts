import { isWatched, safetyMissed, skillRuns } from '../skill/skillRuns.ts'
import type { Standing } from '../reading/types.ts'
import type { SkillEntry } from '../skill/types.ts'
import { type CupNote, cupsTasted, isJudgedBy } from './cups.ts'
import type { Programme, SignedPart } from './programme.ts'
import { type SetProgress, type SetShot, setProgress } from './setProgress.ts'

/** What the rules propose of a part. */
export const PART_RESULTS = [
  'shown',
  'not-yet',
  /** Seen and written down, but nobody passes or fails by it. */
  'noted',
  /** Could not be judged fairly: pulled again. */
  'again',
] as const
/** The same, one of them. */
export type PartResult = (typeof PART_RESULTS)[number]

/** Why a part is only noted, or is pulled again. */
export const UNJUDGED_BECAUSE = [
  'one-tongue',
  'not-tasted',
  'not-watched',
  'the-bars',
  'too-few',
  'bar-off',
] as const
/** The same, one of them. */
export type UnjudgedBecause = (typeof UNJUDGED_BECAUSE)[number]

/** One part of a set as the rules propose it, with each shot that it rests on. */
export interface JudgedPart {
  part: SignedPart
  result: PartResult
  shots: { shotId: string; standing: Standing }[]
  because: UnjudgedBecause | null
  /** To which side it was off, above 0 over the target; null where it is on, or only seen. */
  side: 1 | -1 | null
}

/** What the rules propose of a card of ticks: shown once all of them are. */
export function judgeTicks({ ticks }: Pick<Programme, 'ticks'>, ticked: readonly string[]): JudgedPart {
  const isShown = ticks.every((tick) => ticked.includes(tick))
  return { part: 'ticks', result: isShown ? 'shown' : 'not-yet', shots: [], because: null, side: null }
}

/** What decides beside the shots. */
export interface SetTaken {
  /** What assessors tasted by the cups' codes; null where nobody tastes. */
  cups: readonly CupNote[] | null
  /** The parts that are judged, where only some are repeated. */
  parts?: readonly SignedPart[]
}

/** The parts that a programme judges in a set. */
export function partsOf({ skills, way }: Pick<Programme, 'skills' | 'way'>): SignedPart[] {
  if (way === 'ticks') return ['ticks']
  return [...skills, 'safety', ...(way === 'dial-in' ? (['dial-in'] as const) : [])]
}

/**
 * What the rules propose of a set, part by part: shown with so many shots on and none off. A fault of the bar is nobody's: where
 * both references afterwards were off, time and taste are pulled again.
 */
export function judgeSet(
  shots: readonly SetShot[],
  personId: string,
  programme: Programme,
  { cups, parts = partsOf(programme) }: SetTaken,
): JudgedPart[] {
  const progress = setProgress(shots, personId, programme)
  const counted = progress.counted.map((shot) => ({
    ...shot,
    context: { ...shot.context, isReferenceOff: progress.isBarRight === false },
  }))
  const runs = skillRuns(counted)
  return parts.map((part) => {
    if (part === 'safety') return safetyPart(progress)
    if (part === 'ticks') return unjudged(part, 'again', [], 'too-few')
    if (part === 'dial-in') return dialInPart(progress, programme)
    if (part === 'taste') return tastePart(runs.taste, { shots, counted, progress, programme }, cups)
    if (part === 'call') return callPart(runs.call, progress, programme)
    return judgedPart(part, runs[part], { counted, progress, programme })
  })
}

/** Taste fails nobody on one tongue: two assessors, who know the cups by their codes alone; else it is only written down. */
function tastePart(
  noted: readonly SkillEntry[],
  its: {
    shots: readonly SetShot[]
    counted: readonly SetShot[]
    progress: SetProgress
    programme: Programme
  },
  cups: readonly CupNote[] | null,
): JudgedPart {
  if (cups === null) return unjudged('taste', 'noted', noted, 'not-tasted')
  const { tongues, run } = cupsTasted(its.shots, its.counted, cups)
  return isJudgedBy(tongues) ? judgedPart('taste', run, its) : unjudged('taste', 'noted', noted, 'one-tongue')
}

function judgedPart(
  part: SignedPart,
  run: readonly SkillEntry[],
  {
    counted,
    progress,
    programme: { set },
  }: { counted: readonly SetShot[]; progress: SetProgress; programme: Programme },
): JudgedPart {
  const hangsOnBar = part === 'time' || part === 'taste'
  if (hangsOnBar && progress.isBarRight === false) return unjudged(part, 'again', run, 'bar-off')
  const isBars =
    part === 'time' && counted.length > 0 && counted.every(({ context }) => context.grindOwner === 'trainer')
  if (isBars && run.length === 0) return unjudged(part, 'noted', run, 'the-bars')
  if (part === 'prep' && run.length === 0) return unjudged(part, 'noted', run, 'not-watched')
  const on = run.filter(({ standing }) => standing === 'on').length
  const off = run.filter(({ standing }) => standing === 'off')
  const misses = run.length - on
  const isShown = on >= set.onShots && off.length === 0
  // However the rest had stood, it could not have been shown.
  const isMissed = off.length > 0 || misses > set.shots - set.onShots
  if (!isShown && !isMissed) return unjudged(part, 'again', run, 'too-few')
  return {
    part,
    result: isShown ? 'shown' : 'not-yet',
    shots: shotsOf(run),
    because: null,
    side: sideOf(run, isShown),
  }
}

function unjudged(
  part: SignedPart,
  result: PartResult,
  run: readonly SkillEntry[],
  because: UnjudgedBecause,
): JudgedPart {
  return { part, result, because, shots: shotsOf(run), side: null }
}

const shotsOf = (run: readonly SkillEntry[]) => run.map(({ shotId, standing }) => ({ shotId, standing }))

/** The side on which most of those lie that were not on. */
function sideOf(run: readonly SkillEntry[], isShown: boolean): JudgedPart['side'] {
  if (isShown) return null
  const sides = run.flatMap(({ standing, deviation }) =>
    standing === 'on' || deviation === null ? [] : [Math.sign(deviation)],
  )
  const sum = sides.reduce((total, side) => total + side, 0)
  return sum === 0 ? null : sum > 0 ? 1 : -1
}

/** Once somebody may serve what should be pulled again, or the other way round. */
const WRONG_SERVES = 1

/** Calls are held against the programme's threshold together, for one of them says little. */
function callPart(run: readonly SkillEntry[], progress: SetProgress, { run: terms }: Programme): JudgedPart {
  const called = [...progress.counted, ...(progress.pulledAgain === null ? [] : [progress.pulledAgain])]
  const scores = called.flatMap(({ callScore }) => callScore ?? [])
  const wrong = called.filter(({ isServeRight }) => isServeRight === false).length
  if (scores.length === 0) return unjudged('call', 'noted', run, 'too-few')
  const mean = scores.reduce((sum, score) => sum + score, 0) / scores.length
  const isShown = mean >= terms.callScoreFrom && wrong <= WRONG_SERVES
  return {
    part: 'call',
    result: isShown ? 'shown' : 'not-yet',
    shots: shotsOf(run),
    because: null,
    side: null,
  }
}

/** No step left out by which somebody could be hurt, in any shot of the set. */
function safetyPart({ counted, uncounted, pulledAgain }: SetProgress): JudgedPart {
  const all = [...uncounted, ...(pulledAgain === null ? [] : [pulledAgain]), ...counted]
  const shots = all.filter(isWatched).map((shot) => ({
    shotId: shot.shotId,
    standing: safetyMissed([shot]) > 0 ? ('off' as const) : ('on' as const),
  }))
  const isMissed = shots.some(({ standing }) => standing === 'off')
  if (shots.length === 0) return unjudged('safety', 'noted', [], 'not-watched')
  return { part: 'safety', result: isMissed ? 'not-yet' : 'shown', shots, because: null, side: null }
}

/** Found: so many shots in a row on time and in the cup, with no more before them than are allowed. */
function dialInPart({ counted, uncounted }: SetProgress, { set }: Programme): JudgedPart {
  const isOn = ({ readings: { time, yield: cup } }: SetShot) =>
    time.judged && time.standing === 'on' && cup.judged && cup.standing !== 'off'
  const shots = counted.map((shot) => ({
    shotId: shot.shotId,
    standing: isOn(shot) ? ('on' as const) : ('off' as const),
  }))
  const on = shots.filter(({ standing }) => standing === 'on').length
  const isShown = on >= set.onShots && uncounted.length <= set.uncounted
  return { part: 'dial-in', result: isShown ? 'shown' : 'not-yet', shots, because: null, side: null }
}
