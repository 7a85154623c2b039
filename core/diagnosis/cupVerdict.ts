import type { Readings } from '../reading/types.ts'
import type { Fault } from './causes.ts'
import type { Evidence } from './evidenceTypes.ts'
import { HYPOTHESES } from './hypotheses.ts'
import type { Inference } from './infer.ts'
import { shareBelow } from './likelihood.ts'
import { CUP_VERDICTS, type CupVerdict, type Verdict } from './types.ts'

/** Faults that open short cuts for the water. */
export const CHANNELLING: readonly Fault[] = ['tamp-tilted', 'tamp-light', 'poor-distribution', 'basket-wet']
/** How likely a cup is uneven: with and without such a fault, and with and without signs of it in stream, puck or cup. */
const UNEVEN = {
  faultAndSign: 0.9,
  faultNotLooked: 0.5,
  faultButNoSign: 0.15,
  signAlone: 0.6,
  neither: 0.02,
} as const
/** Two palates, or one twice, tell bitter − sour only to this variance. */
const PALATE_VARIANCE = 1.6
/** A verdict that isn't at least this likely is none. */
const CLEAR_FROM = 0.5
/** Hypotheses less likely than this are left out, and the rest made up to 1. */
const LEAST = 5e-4

const HAS_CHANNELLING = HYPOTHESES.map(({ faults }) => faults.some((fault) => CHANNELLING.includes(fault)))

/** Probability of each verdict on the cup: where bitter − sour lies given all evidence, and whether it is all one. */
export function cupVerdicts(
  { posterior, placesOf }: Inference,
  items: readonly Evidence[],
  readings: Readings,
): Record<CupVerdict, number> {
  const { recipe } = readings.of
  const tasted = tastedLean(items)
  const lean = placesOf('lean')
  const sums: Record<CupVerdict, number> = { under: 0, balanced: 0, over: 0, uneven: 0 }
  let total = 0
  for (let at = 0; at < posterior.length; at += 1) {
    const probability = posterior[at] ?? 0
    if (probability < LEAST) continue
    total += probability
    const prior = { mean: lean.mean[at] ?? 0, variance: lean.variance[at] ?? 1 }
    const gain = tasted === null ? 0 : prior.variance / (prior.variance + PALATE_VARIANCE)
    const mean = prior.mean + gain * ((tasted ?? 0) - prior.mean)
    const variance = prior.variance * (1 - gain)
    const under = shareBelow(-recipe.tasteTolerance - mean, variance)
    const over = 1 - shareBelow(recipe.tasteTolerance - mean, variance)
    const uneven = unevenChance(at, readings)
    sums.uneven += probability * uneven
    sums.under += probability * (1 - uneven) * under
    sums.over += probability * (1 - uneven) * over
    sums.balanced += probability * (1 - uneven) * (1 - under - over)
  }
  for (const verdict of CUP_VERDICTS) sums[verdict] /= total
  return sums
}

function tastedLean(items: readonly Evidence[]): number | null {
  const axis = (key: 'sour' | 'bitter') =>
    items.find(
      (item): item is Extract<Evidence, { kind: 'measured' }> => item.kind === 'measured' && item.key === key,
    )
  const [sour, bitter] = [axis('sour'), axis('bitter')]
  return sour && bitter ? bitter.value - sour.value : null
}

function unevenChance(at: number, { unevenSigns, looked }: Readings): number {
  const hasFault = HAS_CHANNELLING[at] === true
  if (unevenSigns.length > 0) return hasFault ? UNEVEN.faultAndSign : UNEVEN.signAlone
  if (!hasFault) return UNEVEN.neither
  return looked.stream || looked.puck ? UNEVEN.faultButNoSign : UNEVEN.faultNotLooked
}

/** The likeliest verdict; "unclear" where none is likely, and balanced only for a cup that somebody tasted. */
export function verdictOf(verdicts: Record<CupVerdict, number>, items: readonly Evidence[]): Verdict {
  const isTasted = items.some(({ key }) => key === 'sour' || key === 'bitter' || key.startsWith('tastes-'))
  const isSeen = items.some(({ key }) => SPEAKS_OF_THE_CUP.has(key))
  if (!isTasted && !isSeen) return 'unclear'
  const [best] = CUP_VERDICTS.map((verdict) => ({ verdict, probability: verdicts[verdict] })).sort(
    (a, b) => b.probability - a.probability,
  )
  if (best === undefined || best.probability < CLEAR_FROM) return 'unclear'
  return best.verdict === 'balanced' && !isTasted ? 'unclear' : best.verdict
}

const SPEAKS_OF_THE_CUP: ReadonlySet<string> = new Set([
  'time',
  'first-drop',
  'stream',
  'puck',
  'ran-fast',
  'ran-slow',
  'drips-only',
  'several-streams',
  'dry-patches',
  'early-blonding',
])
