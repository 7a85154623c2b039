import { THRESHOLDS } from '../thresholds.ts'
import { BENDS, steepness, unbent } from './curve.ts'
import { groupedBy } from './groupedBy.ts'
import type { Observation } from './observations.ts'
import type { DialInGrinder } from './types.ts'

/** What is believed of a grinder before this session, whatever the coffee. */
export interface GrinderBelief {
  /** For each bend: how likely it is, and the slope at the target, in ln of time per unit of fineness; ln of it is normal. */
  bends: readonly SlopeUnderBend[]
  /** How ln time goes with ln dose on this grinder, and how sure that is. */
  dose: { elasticity: number; sd: number }
}

/** What is believed of a grinder’s slope if its line bends so: its log weight, mean and sd in ln. */
export interface SlopeUnderBend {
  bend: number
  log: number
  lnMean: number
  lnSd: number
}

/** From gushing to choking most scales run through about this much ln of time, straightened. */
const SCALE_SPAN_LN = 2.8
/** The length of a scale tells the slope to about this much, as sd of ln. */
const PRIOR_LN_SD = 0.55
/** What is learned of a slope is never surer than this, as sd of ln. */
const LEAST_LN_SD = 0.05
const NOISE_LN = THRESHOLDS.shotNoiseLn
const ELASTICITY_SD = 1
const PASSES = 3

/** Prior by kind of grinder and length of scale, sharpened by all the grinder's earlier shots, whatever the coffee. */
export function grinderBelief(grinder: DialInGrinder, earlier: readonly Observation[]): GrinderBelief {
  const prior = priorOf(grinder)
  const groups = groupedBy(
    earlier.filter(({ bound }) => bound === null),
    ({ coffeeId, daysAgo }) => `${coffeeId}|${daysAgo}`,
  )
  const dose = doseElasticity(groups)
  return {
    bends: BENDS.map(({ bend, weight }) => {
      const learned = learnedSlope(groups, bend, dose.elasticity)
      return { bend, log: Math.log(weight) + (learned?.log ?? 0), ...together(prior, learned) }
    }),
    dose,
  }
}

interface LnSlope {
  lnMean: number
  lnSd: number
}

/** Where what is said of a kind of grinder and the length of its scale disagree, neither is trusted alone. */
function priorOf({ lnTimePerUnit, minSetting, maxSetting }: DialInGrinder): LnSlope {
  const byScale = Math.log(SCALE_SPAN_LN / (maxSetting - minSetting))
  if (lnTimePerUnit === null) return { lnMean: byScale, lnSd: PRIOR_LN_SD }
  const byKind = Math.log(lnTimePerUnit)
  return { lnMean: (byScale + byKind) / 2, lnSd: Math.hypot(PRIOR_LN_SD, (byKind - byScale) / 2) }
}

/** Near its own middle a normal slope of small relative spread has a normal ln. */
function together(prior: LnSlope, learned: Learned | null): LnSlope {
  if (learned === null || learned.slope <= 0) return prior
  const [a, b] = [1 / prior.lnSd ** 2, 1 / Math.max(LEAST_LN_SD, learned.sd / learned.slope) ** 2]
  return { lnMean: (a * prior.lnMean + b * Math.log(learned.slope)) / (a + b), lnSd: 1 / Math.sqrt(a + b) }
}

interface Learned {
  slope: number
  sd: number
  /** How well the bend fits, in ln of likelihood. */
  log: number
}

/** A shot on the straightened line: its place, and how sure that is (an odd shot is weighed down: Cauchy weights). */
interface Straightened {
  x: number
  y: number
  weight: number
}

/** Least squares on the straightened line within each coffee and day; null where nothing varied. */
function learnedSlope(
  groups: readonly (readonly Observation[])[],
  bend: number,
  elasticity: number,
): Learned | null {
  const lines = groups.map((group) =>
    group.map((each): Straightened => {
      const y = unbent(each.missLn - elasticity * each.doseLn, bend)
      const sd = Math.hypot(NOISE_LN, each.extraSd) / steepness(y, bend)
      return { x: each.fineness, y, weight: 1 / sd ** 2 }
    }),
  )
  let slope: number | null = null
  let [precision, log] = [0, 0]
  for (let pass = 0; pass < PASSES; pass += 1) {
    let [xx, xy] = [0, 0]
    log = 0
    for (const line of lines) {
      const sums = withinLine(line, slope)
      xx += sums.xx
      xy += sums.xy
      log += sums.log
    }
    if (xx < 1e-9) return null
    slope = xy / xx
    precision = xx
  }
  return slope === null ? null : { slope, sd: 1 / Math.sqrt(precision), log }
}

function withinLine(
  line: readonly Straightened[],
  slope: number | null,
): { xx: number; xy: number; log: number } {
  const total = line.reduce((sum, { weight }) => sum + weight, 0)
  const mean = (of: 'x' | 'y') => line.reduce((sum, each) => sum + each.weight * each[of], 0) / total
  const [x, y] = [mean('x'), mean('y')]
  let [xx, xy, log] = [0, 0, 0]
  for (const each of line) {
    const [dx, dy] = [each.x - x, each.y - y]
    const missed = slope === null ? 0 : (dy - slope * dx) * Math.sqrt(each.weight)
    const weight = each.weight / (1 + (missed / 2) ** 2)
    xx += weight * dx * dx
    xy += weight * dx * dy
    log -= 2 * Math.log1p((missed / 2) ** 2)
  }
  return { xx, xy, log }
}

/** Among shots of one coffee, day and setting what differs is the dose: a prior from the trade, and what they say. */
function doseElasticity(groups: readonly (readonly Observation[])[]): GrinderBelief['dose'] {
  let precision = 1 / ELASTICITY_SD ** 2
  let sum = precision * THRESHOLDS.doseElasticity
  for (const group of groups.flatMap((each) => groupedBy(each, ({ fineness }) => String(fineness)))) {
    if (group.length < 2) continue
    const mean = (of: 'doseLn' | 'missLn') => group.reduce((all, each) => all + each[of], 0) / group.length
    const [dose, miss] = [mean('doseLn'), mean('missLn')]
    for (const each of group) {
      const by = each.doseLn - dose
      const weight = 1 / (NOISE_LN ** 2 + each.extraSd ** 2)
      precision += weight * by * by
      sum += weight * by * Math.max(-2 * NOISE_LN, Math.min(2 * NOISE_LN, each.missLn - miss))
    }
  }
  return { elasticity: sum / precision, sd: 1 / Math.sqrt(precision) }
}
