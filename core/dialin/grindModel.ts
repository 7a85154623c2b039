import { normalCdf } from '../statistics/normal.ts'
import { bent } from './curve.ts'
import type { GrinderBelief, SlopeUnderBend } from './grinderBelief.ts'
import type { Level, LevelBelief } from './level.ts'
import type { Observation } from './observations.ts'

/**
 * Combinations of place, slope, bend and noise, with their weights, which sum to 1. A column each, because thousands of
 * them are summed for every setting that is weighed.
 */
export interface GrindNodes {
  count: number
  /** Where the straightened line stands at the model's fineness; 0 is the target. */
  place: Float64Array
  slope: Float64Array
  bend: Float64Array
  noise: Float64Array
  weight: Float64Array
}

/** What is believed of ln(time ÷ target) at every fineness. */
export interface GrindModel {
  nodes: GrindNodes
  /** Fineness at which the nodes' places are. */
  at: number
  /** Means over the nodes: of the slope at the target, of the noise, and of the fineness that reaches the target. */
  mean: { slope: number; noise: number; wanted: number }
  /** The fineness that reaches the target as likely as not: its mean leans far out where the slope is not known. */
  middle: number
  dose: GrinderBelief['dose']
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
const WIDE_GRID = { places: 25, slopes: 7 } as const
const NARROW_GRID = { places: 21, slopes: 9 } as const
const [WIDE, NARROW] = [3.6, 3.6]
/** Nodes less likely than this, against the likeliest, are dropped. */
const LEAST_LOG = -5
/** A bend that the first pass leaves less than this share is not looked at again. */
const LEAST_SHARE = 0.01

/** A bend with what is believed of slope and place under it. */
type Line = SlopeUnderBend & { level: LevelBelief }

/**
 * Bayesian model of ln time on fineness: a line that bends (`bent`), with what is believed of place, slope and bend,
 * noise to be estimated, bounds as censored data, and botched shots as a second, wide component (A. Gelman et al.,
 * "Bayesian Data Analysis", 3rd ed., chs. 8, 14 and 17). The posterior is summed on a grid, twice: over the beliefs,
 * then over where the shots left it.
 */
export function grindModel(level: Level, belief: GrinderBelief, shots: readonly Observation[]): GrindModel {
  const lines = belief.bends.map((each): Line => ({
    ...each,
    level: level.under(each.bend, Math.exp(each.lnMean)),
  }))
  const seen = shots.map((shot) => seenBy(shot, level.fineness, belief.dose))
  const wide = nodesOf(
    seen,
    lines.map((line) => ({
      line,
      places: spread(line.level.place, line.level.sd * WIDE, WIDE_GRID.places),
      lnSlopes: spread(line.lnMean, line.lnSd * WIDE * 0.75, WIDE_GRID.slopes),
    })),
  )
  const nodes = shots.length === 0 ? wide : nodesOf(seen, narrowed(wide, lines))
  const at = level.fineness
  return { nodes, at, mean: meansOf(nodes, at), middle: middleOf(nodes, at), dose: belief.dose }
}

/** A line with the places and slopes at which it is summed. */
interface Grid {
  line: Line
  places: readonly number[]
  lnSlopes: readonly number[]
}

function spread(middle: number, reach: number, count: number): number[] {
  return Array.from({ length: count }, (_, at) => middle + reach * ((2 * at) / (count - 1) - 1))
}

/** The grids of the second pass: where the first left place and slope, under each bend that it left standing. */
function narrowed(wide: GrindNodes, lines: readonly Line[]): Grid[] {
  return lines.flatMap((line): Grid[] => {
    const place = momentsUnder(wide, line.bend, wide.place)
    const slope = momentsUnder(wide, line.bend, wide.slope)
    if (place.share < LEAST_SHARE) return []
    const reach = (sd: number, most: number) => Math.min(most, Math.max(sd, 0.03) * NARROW)
    return [
      {
        line,
        places: spread(place.mean, reach(place.sd, line.level.sd * WIDE), NARROW_GRID.places),
        lnSlopes: spread(
          Math.log(slope.mean),
          reach(slope.sd / slope.mean, line.lnSd * WIDE),
          NARROW_GRID.slopes,
        ),
      },
    ]
  })
}

function momentsUnder(
  { count, bend, weight }: GrindNodes,
  under: number,
  values: Float64Array,
): { share: number; mean: number; sd: number } {
  let [share, sum, squares] = [0, 0, 0]
  for (let at = 0; at < count; at += 1) {
    if (bend[at] !== under) continue
    const [value, its] = [values[at] ?? 0, weight[at] ?? 0]
    share += its
    sum += its * value
    squares += its * value * value
  }
  const mean = sum / share
  return { share, mean, sd: Math.sqrt(Math.max(0, squares / share - mean * mean)) }
}

/** A shot with what its dose did taken off, and its likelihood's own numbers under each size of noise worked out. */
interface Seen {
  /** How much finer than where the places are. */
  finer: number
  missLn: number
  bound: Observation['bound']
  /** 1 ÷ sd, and the height of a sound shot's density. */
  inverse: readonly number[]
  height: readonly number[]
}

function seenBy(
  { fineness, missLn, doseLn, bound, extraSd }: Observation,
  at: number,
  dose: GrinderBelief['dose'],
): Seen {
  const extra = Math.hypot(extraSd, dose.sd * doseLn)
  const inverse = NOISES.map(({ sd }) => 1 / Math.hypot(sd, extra))
  return {
    finer: fineness - at,
    missLn: missLn - dose.elasticity * doseLn,
    bound,
    inverse,
    height: inverse.map((each) => (1 - BOTCHED.share) * each),
  }
}

function nodesOf(seen: readonly Seen[], grids: readonly Grid[]): GrindNodes {
  const most = grids.reduce((sum, { places, lnSlopes }) => sum + places.length * lnSlopes.length, 0)
  const nodes = emptyNodes(most * NOISES.length)
  const likelihoods = new Float64Array(NOISES.length)
  for (const { line, places, lnSlopes } of grids) {
    // Grids of unlike width: each node stands for its own cell.
    const cell = (stepOf(places) / line.level.sd) * (stepOf(lnSlopes) / line.lnSd)
    for (const lnSlope of lnSlopes) {
      const slope = Math.exp(lnSlope)
      const slopeLog = line.log + Math.log(cell) - 0.5 * ((lnSlope - line.lnMean) / line.lnSd) ** 2
      for (const place of places) {
        const priorLog = slopeLog - 0.5 * ((place - line.level.place) / line.level.sd) ** 2
        setLikelihoods(likelihoods, seen, place, slope, line.bend)
        for (let index = 0; index < NOISES.length; index += 1) {
          const at = nodes.count + index
          nodes.place[at] = place
          nodes.slope[at] = slope
          nodes.bend[at] = line.bend
          nodes.noise[at] = NOISES[index]?.sd ?? 0
          nodes.weight[at] = priorLog + (NOISE_LOGS[index] ?? 0) + Math.log(likelihoods[index] ?? 0)
        }
        nodes.count += NOISES.length
      }
    }
  }
  return weighed(nodes)
}

function emptyNodes(length: number): GrindNodes {
  const column = () => new Float64Array(length)
  return { count: 0, place: column(), slope: column(), bend: column(), noise: column(), weight: column() }
}

function stepOf(axis: readonly number[]): number {
  return Math.abs((axis[1] ?? 0) - (axis[0] ?? 0))
}

/**
 * The shots' likelihood under each size of noise. A bound says what it says; nothing of it is put down to a botched shot,
 * for a choke is no slip of the hand.
 */
function setLikelihoods(
  into: Float64Array,
  seen: readonly Seen[],
  place: number,
  slope: number,
  bend: number,
): void {
  into.fill(1)
  for (const { finer, missLn, bound, inverse, height } of seen) {
    const from = missLn - bent(place + slope * finer, bend)
    const botched = bound === null ? BOTCHED_HEIGHT * Math.exp(-0.5 * (from / BOTCHED.sd) ** 2) : 0
    for (let index = 0; index < into.length; index += 1) {
      const z = from * (inverse[index] ?? 0)
      const its =
        bound === null
          ? (height[index] ?? 0) * Math.exp(-0.5 * z * z) + botched
          : BOUND_FLOOR + normalCdf(bound === 'at-least' ? -z : z)
      into[index] = (into[index] ?? 0) * its
    }
  }
}
const BOTCHED_HEIGHT = BOTCHED.share / BOTCHED.sd
/** Not even a bound is beyond all doubt. */
const BOUND_FLOOR = 1e-4

/** Weights out of their logarithms, without those too small to count. */
function weighed(nodes: GrindNodes): GrindNodes {
  const { count, weight } = nodes
  let most = -Infinity
  for (let at = 0; at < count; at += 1) most = Math.max(most, weight[at] ?? -Infinity)
  let [kept, total] = [0, 0]
  for (let at = 0; at < count; at += 1) {
    const log = (weight[at] ?? -Infinity) - most
    if (log < LEAST_LOG) continue
    const its = Math.exp(log)
    for (const column of [nodes.place, nodes.slope, nodes.bend, nodes.noise]) column[kept] = column[at] ?? 0
    weight[kept] = its
    total += its
    kept += 1
  }
  for (let at = 0; at < kept; at += 1) weight[at] = (weight[at] ?? 0) / total
  return { ...nodes, count: kept }
}

function meansOf({ count, weight, slope, noise, place }: GrindNodes, at: number): GrindModel['mean'] {
  const mean = { slope: 0, noise: 0, wanted: 0 }
  for (let no = 0; no < count; no += 1) {
    const its = weight[no] ?? 0
    mean.slope += its * (slope[no] ?? 0)
    mean.noise += its * (noise[no] ?? 0)
    mean.wanted += its * (at - (place[no] ?? 0) / (slope[no] ?? 1))
  }
  return mean
}

function middleOf({ count, weight, slope, place }: GrindNodes, at: number): number {
  const wanted = Array.from({ length: count }, (_, no) => ({
    fineness: at - (place[no] ?? 0) / (slope[no] ?? 1),
    weight: weight[no] ?? 0,
  })).sort((a, b) => a.fineness - b.fineness)
  let below = 0
  for (const each of wanted) {
    below += each.weight
    if (below >= 0.5) return each.fineness
  }
  return at
}
