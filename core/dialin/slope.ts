import { groupedBy } from './groupedBy.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { Observation } from './observations.ts'
import type { DialInGrinder } from './types.ts'

/** What is believed of the slope, ln of time per unit of fineness, before this session: ln of it is normal. */
export interface SlopeBelief {
  lnMean: number
  lnSd: number
}

/** From gushing to choking most scales run through about this much ln of time. */
const SCALE_SPAN_LN = 2.8
/** The length of a scale tells the slope to about this much, as sd of ln. */
const PRIOR_LN_SD = 0.55
const NOISE_LN = THRESHOLDS.shotNoiseLn
const PASSES = 3

/** Prior by kind of grinder and length of scale, sharpened by all the grinder's earlier shots, whatever the coffee. */
export function slopeBelief(grinder: DialInGrinder, earlier: readonly Observation[]): SlopeBelief {
  const prior = priorOf(grinder)
  const learned = learnedSlope(earlier)
  if (learned === null || learned.slope <= 0) return prior
  // Near its own middle a normal slope of small relative spread has a normal ln.
  const seen: SlopeBelief = { lnMean: Math.log(learned.slope), lnSd: learned.sd / learned.slope }
  const [a, b] = [1 / prior.lnSd ** 2, 1 / Math.max(0.05, seen.lnSd) ** 2]
  return { lnMean: (a * prior.lnMean + b * seen.lnMean) / (a + b), lnSd: 1 / Math.sqrt(a + b) }
}

/** Where what is said of a kind of grinder and the length of its scale disagree, neither is trusted alone. */
function priorOf({ lnTimePerUnit, minSetting, maxSetting }: DialInGrinder): SlopeBelief {
  const byScale = Math.log(SCALE_SPAN_LN / (maxSetting - minSetting))
  if (lnTimePerUnit === null) return { lnMean: byScale, lnSd: PRIOR_LN_SD }
  const byKind = Math.log(lnTimePerUnit)
  return { lnMean: (byScale + byKind) / 2, lnSd: Math.hypot(PRIOR_LN_SD, (byKind - byScale) / 2) }
}

/** Least squares within each coffee and day, with odd shots weighed down (Cauchy weights); null where nothing varied. */
function learnedSlope(earlier: readonly Observation[]): { slope: number; sd: number } | null {
  const groups = groupedBy(known(earlier), (each) => `${each.coffeeId}|${each.daysAgo}`)
  let slope: number | null = null
  let precision = 0
  for (let pass = 0; pass < PASSES; pass += 1) {
    let [xx, xy] = [0, 0]
    for (const group of groups) {
      const sums = withinGroup(group, slope)
      xx += sums.xx
      xy += sums.xy
    }
    if (xx < 1e-9) return null
    slope = xy / xx
    precision = xx / NOISE_LN ** 2
  }
  return slope === null ? null : { slope, sd: 1 / Math.sqrt(precision) }
}

function known(observations: readonly Observation[]): Observation[] {
  return observations.filter(({ bound }) => bound === null)
}

function withinGroup(group: readonly Observation[], slope: number | null): { xx: number; xy: number } {
  const base = group.map(({ extraSd }) => NOISE_LN ** 2 / (NOISE_LN ** 2 + extraSd ** 2))
  const centreOf = (weights: readonly number[], value: (each: Observation) => number) => {
    const total = weights.reduce((sum, weight) => sum + weight, 0)
    return group.reduce((sum, each, at) => sum + (weights[at] ?? 0) * value(each), 0) / total
  }
  const x = centreOf(base, (each) => each.fineness)
  const y = centreOf(base, (each) => each.lnTime)
  let [xx, xy] = [0, 0]
  group.forEach((each, at) => {
    const [dx, dy] = [each.fineness - x, each.lnTime - y]
    const residual = slope === null ? 0 : dy - slope * dx
    const weight = (base[at] ?? 0) / (1 + (residual / (2 * NOISE_LN)) ** 2)
    xx += weight * dx * dx
    xy += weight * dx * dy
  })
  return { xx, xy }
}
