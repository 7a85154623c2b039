import { median, robustSd } from '../statistics/robust.ts'
import type { Readings } from '../reading/types.ts'
import type { SignsSeen } from '../shot/signs.ts'
import { FAULTS, type Fault } from './causes.ts'
import { evidenceOf } from './evidence.ts'
import { HYPOTHESES, WITH_FAULT, factorByFault } from './hypotheses.ts'
import { infer } from './infer.ts'

/**
 * How likely a fault that held in one shot holds in the next at the same setting: a grind or a bag stays, a habit of
 * hands partly, a slip hardly.
 */
const STAYS: Record<Fault, number> = {
  'grind-too-coarse': 0.97,
  'grind-too-fine': 0.97,
  'dose-low': 0.35,
  'dose-high': 0.35,
  'tamp-tilted': 0.4,
  'tamp-light': 0.4,
  'tamp-varying': 0.8,
  'poor-distribution': 0.45,
  'basket-wet': 0.35,
  dirty: 0.95,
  'not-purged': 0.05,
  // The first shot heats the group.
  cold: 0.3,
  'too-hot': 0.85,
  'temperature-swing': 0.95,
  'coffee-too-fresh': 0.97,
  'coffee-stale': 0.97,
  'pre-ground': 0.97,
  'roast-character': 0.97,
  'poor-water': 0.97,
  'wrong-basket': 0.8,
  'burrs-out-of-range': 0.97,
  'stopped-early': 0.35,
  'stopped-late': 0.35,
  'ratio-short': 0.95,
  'ratio-long': 0.95,
}

/**
 * Shots at one setting share how far off it is, so a second one says less than it would by itself: its log-odds are
 * carried on by half, and a long run adds no more than as much again.
 */
const CARRIED = 0.5

const PRIOR_TOTAL = HYPOTHESES.reduce((sum, { prior }) => sum + prior, 0)
const PRIOR_SHARE = Object.fromEntries(
  FAULTS.map((fault) => [
    fault,
    (WITH_FAULT.get(fault) ?? []).reduce((sum, at) => sum + (HYPOTHESES[at]?.prior ?? 0), 0) / PRIOR_TOTAL,
  ]),
  // The keys are exactly the faults.
) as Record<Fault, number>

/**
 * What the shots before this one, at the same setting, say of each hypothesis, as a factor on its prior; oldest first.
 * Faults are carried over one by one (assumed-density filtering: X. Boyen & D. Koller, UAI 1998).
 */
export function factorFromEarlier(earlier: readonly Readings[]): Float64Array | undefined {
  let factor: Float64Array | undefined
  for (const readings of earlier) factor = factorAfter(infer(evidenceOf(readings), factor).causes)
  return factor
}

function factorAfter(causes: readonly { cause: string; probability: number }[]): Float64Array {
  const probability = new Map(causes.map((each) => [each.cause, each.probability]))
  return factorByFault((fault) => {
    const usual = PRIOR_SHARE[fault]
    const held = probability.get(fault) ?? usual
    // It comes anew just as often as keeps its usual share as it is.
    const comes = (usual * (1 - STAYS[fault])) / (1 - usual)
    const next = held * STAYS[fault] + (1 - held) * comes
    return (next / (1 - next) / (usual / (1 - usual))) ** CARRIED
  })
}

/** From this many shots on a run says something by itself. */
const RUN = 3
/** And from this many on it can show a drift. */
const LONG_RUN = 6
/** Times never repeat more closely than this, in ln. */
const LEAST_SPREAD = 0.03
/** Spread of ln time between shots beyond which times scatter, and under which they repeat. */
const SCATTERS = { from: 0.12, repeatsTo: 0.06 } as const
/** Shots swing in turn when this many leanings in a row change side. */
const SWINGS = 4

/** What a run of shots at one setting shows as a whole, of the last of them; oldest first. */
export function signsOfRun(run: readonly Readings[]): SignsSeen {
  const times = run.flatMap(({ timeAtTarget: time }) => (time.kind === 'known' ? [Math.log(time.s)] : []))
  const leans = run.flatMap(({ taste, of: { context } }) =>
    taste.judged && context.tongue === 'trusted' ? [taste.deviation] : [],
  )
  return {
    'first-shot-of-day': false,
    ...(times.length >= RUN ? scatterSign(times) : {}),
    ...(times.length >= LONG_RUN ? { 'times-fall': falls(times) } : {}),
    ...(leans.length >= SWINGS ? { alternates: swings(leans) } : {}),
  }
}

function scatterSign(times: readonly number[]): SignsSeen {
  const sd = robustSd(times)
  if (sd > SCATTERS.from) return { 'times-scatter': true }
  return sd < SCATTERS.repeatsTo ? { 'times-scatter': false } : {}
}

/**
 * Whether the later half runs clearly faster than the earlier one: by more than twice what their spread makes of the
 * difference of two means.
 */
function falls(times: readonly number[]): boolean {
  const half = Math.floor(times.length / 2)
  const [before, after] = [times.slice(0, half), times.slice(-half)]
  const spread = Math.max(LEAST_SPREAD, (robustSd(before) + robustSd(after)) / 2)
  return median(before) - median(after) > 2 * spread * Math.sqrt(2 / half)
}

function swings(leans: readonly number[]): boolean {
  return leans.slice(-SWINGS).every((lean, index, last) => {
    const before = last[index - 1]
    return Math.abs(lean) >= 2 && (before === undefined || Math.sign(before) === -Math.sign(lean))
  })
}
