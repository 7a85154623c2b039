import { normalCdf } from '../statistics/normal.ts'
import type { LevelBelief } from './level.ts'
import type { Observation } from './observations.ts'
import type { SlopeBelief } from './slope.ts'

/** One combination of level, slope and noise, with its weight; all weights sum to 1. */
interface Node {
  level: number
  slope: number
  noise: number
  weight: number
}

/** What is believed of ln time at every fineness. */
export interface GrindModel {
  nodes: readonly Node[]
  /** Fineness at which the nodes' levels are. */
  at: number
  mean: { level: number; slope: number; noise: number }
  variance: { level: number; slope: number; both: number }
}

/** Shot-to-shot spread of ln time of careful hands, and how common each is. */
const NOISES = [
  { sd: 0.04, weight: 0.4 },
  { sd: 0.075, weight: 0.4 },
  { sd: 0.13, weight: 0.2 },
] as const
const NOISE_LOGS = NOISES.map(({ weight }) => Math.log(weight))
/** Now and then a shot is botched and nobody sees it. */
const BOTCHED = { share: 0.06, sd: 0.35 } as const
/** Nodes of the first, wide pass and of the second. */
const WIDE_GRID = { levels: 41, slopes: 9 } as const
const NARROW_GRID = { levels: 31, slopes: 13 } as const
const [WIDE, NARROW] = [4, 4.2]
/** Nodes less likely than this, against the likeliest, are dropped. */
const LEAST = 2e-3
const WORTH_KEEPING = 7

/**
 * Bayesian linear model of ln time on fineness, with known beliefs about level and slope, noise to be estimated, bounds
 * as censored data, and botched shots as a second, wide component (A. Gelman et al., "Bayesian Data Analysis", 3rd ed.,
 * chs. 8, 14 and 17). The posterior is summed on a grid, twice: over the beliefs, then over where the shots left it.
 */
export function grindModel(
  level: LevelBelief,
  slope: SlopeBelief,
  shots: readonly Observation[],
): GrindModel {
  const wide = summed(
    spread(level.lnTime, level.sd * WIDE, WIDE_GRID.levels),
    spread(slope.lnMean, slope.lnSd * WIDE * 0.7, WIDE_GRID.slopes),
    level,
    slope,
    shots,
  )
  if (shots.length === 0) return wide
  const slopeSd = Math.sqrt(wide.variance.slope) / wide.mean.slope
  return summed(
    spread(wide.mean.level, Math.max(0.03, Math.sqrt(wide.variance.level)) * NARROW, NARROW_GRID.levels),
    spread(
      Math.log(wide.mean.slope),
      Math.min(slope.lnSd * 2.8, Math.max(0.03, slopeSd) * NARROW),
      NARROW_GRID.slopes,
    ),
    level,
    slope,
    shots,
  )
}

function spread(middle: number, reach: number, count: number): number[] {
  return Array.from({ length: count }, (_, at) => middle + reach * ((2 * at) / (count - 1) - 1))
}

function summed(
  levels: readonly number[],
  lnSlopes: readonly number[],
  level: LevelBelief,
  slope: SlopeBelief,
  shots: readonly Observation[],
): GrindModel {
  const nodes: Node[] = []
  let most = -Infinity
  for (const lnSlope of lnSlopes) {
    const perUnit = Math.exp(lnSlope)
    const slopeLog = -0.5 * ((lnSlope - slope.lnMean) / slope.lnSd) ** 2
    for (const each of levels) {
      const priorLog = slopeLog - 0.5 * ((each - level.lnTime) / level.sd) ** 2
      if (priorLog < -18) continue
      const logs = likelihoodLogs(shots, each, perUnit, level.fineness)
      for (let at = 0; at < NOISES.length; at += 1) {
        const log = priorLog + (NOISE_LOGS[at] ?? 0) + (logs[at] ?? 0)
        if (log > most) most = log
        if (log > most - WORTH_KEEPING) {
          nodes.push({ level: each, slope: perUnit, noise: NOISES[at]?.sd ?? 0, weight: log })
        }
      }
    }
  }
  return withMoments(nodes, most, level.fineness)
}

/** The shots' log-likelihood under each size of noise; what a botched shot could be doesn't depend on that. */
function likelihoodLogs(
  shots: readonly Observation[],
  level: number,
  slope: number,
  at: number,
): Float64Array {
  const logs = new Float64Array(NOISES.length)
  for (const shot of shots) {
    const from = shot.lnTime - level - slope * (shot.fineness - at)
    const botched = BOTCHED.share * likelihood(from, BOTCHED.sd, shot.bound)
    for (let index = 0; index < NOISES.length; index += 1) {
      const sd = NOISES[index]?.sd ?? 0
      const wide = shot.extraSd === 0 ? sd : Math.sqrt(sd * sd + shot.extraSd * shot.extraSd)
      const sound = (1 - BOTCHED.share) * likelihood(from, wide, shot.bound)
      logs[index] = (logs[index] ?? 0) + Math.log(sound + botched)
    }
  }
  return logs
}

function likelihood(from: number, sd: number, bound: Observation['bound']): number {
  const z = from / sd
  if (bound === 'at-least') return normalCdf(-z)
  if (bound === 'at-most') return normalCdf(z)
  return Math.exp(-0.5 * z * z) / sd
}

function withMoments(nodes: readonly Node[], most: number, at: number): GrindModel {
  const kept: Node[] = []
  let total = 0
  for (const node of nodes) {
    const weight = Math.exp(node.weight - most)
    if (weight < LEAST) continue
    kept.push({ ...node, weight })
    total += weight
  }
  const mean = { level: 0, slope: 0, noise: 0 }
  for (const node of kept) {
    node.weight /= total
    mean.level += node.weight * node.level
    mean.slope += node.weight * node.slope
    mean.noise += node.weight * node.noise
  }
  const variance = { level: 0, slope: 0, both: 0 }
  for (const node of kept) {
    const [level, slope] = [node.level - mean.level, node.slope - mean.slope]
    variance.level += node.weight * level * level
    variance.slope += node.weight * slope * slope
    variance.both += node.weight * level * slope
  }
  return { nodes: kept, at, mean, variance }
}

/** ln time to expect at a fineness, and how sure, without the noise of the shot itself. */
export function lnTimeAt(
  { mean, variance, at }: GrindModel,
  fineness: number,
): { mean: number; variance: number } {
  const by = fineness - at
  return {
    mean: mean.level + mean.slope * by,
    variance: Math.max(0, variance.level + 2 * by * variance.both + by * by * variance.slope),
  }
}

/** Chances at a fineness: that a shot lands in the window, and that it does and truly belongs there. */
export function chancesAt(
  { nodes, at }: GrindModel,
  fineness: number,
  windowLn: { from: number; to: number },
  shiftLn: number,
): { inWindow: number; landed: number } {
  let [inWindow, landed] = [0, 0]
  for (const { level, slope, noise, weight } of nodes) {
    const middle = level + slope * (fineness - at) + shiftLn
    const isNear = middle > windowLn.from - 4 * noise && middle < windowLn.to + 4 * noise
    if (!isNear) continue
    const chance = normalCdf((windowLn.to - middle) / noise) - normalCdf((windowLn.from - middle) / noise)
    inWindow += weight * chance
    if (middle > windowLn.from && middle < windowLn.to) landed += weight * chance
  }
  return { inWindow, landed }
}

/** Chance that a fineness truly belongs in the window, whatever the next shot there reads. */
export function belongsAt(
  { nodes, at }: GrindModel,
  fineness: number,
  windowLn: { from: number; to: number },
  shiftLn: number,
): number {
  let sum = 0
  for (const { level, slope, weight } of nodes) {
    const middle = level + slope * (fineness - at) + shiftLn
    if (middle > windowLn.from && middle < windowLn.to) sum += weight
  }
  return sum
}
