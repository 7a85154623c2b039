import type { Fault } from './causes.ts'
import { HYPOTHESES } from './hypotheses.ts'
import type { CauseProbability } from './infer.ts'
import type { Named } from './types.ts'

/** A cause this likely is named by itself; a second one of this likelihood holds beside it. */
const CARRIES_FROM = 0.5
const BESIDE_FROM = 0.4
/** So is a less likely one where it stands this far above the next. */
const LEADS = { from: 0.3, times: 2 } as const
/** Two that together are this likely are named with the look that parts them. */
const TWO_CARRY_FROM = 0.5

/** Whether a cause is likely enough to be named by itself. */
export function carries({ probability }: CauseProbability): boolean {
  return probability >= CARRIES_FROM
}

/** Which of the causes, likeliest first, carries enough to be named. */
export function named(causes: readonly CauseProbability[]): Named {
  const [first, second] = causes
  if (first === undefined) return { as: 'unclear', causes: [] }
  const next = second?.probability ?? 0
  const one: Named = { as: 'one', causes: [first.cause] }
  if (first.probability >= CARRIES_FROM) {
    const isBoth = second !== undefined && next >= BESIDE_FROM && second.cause !== 'none'
    return isBoth && first.cause !== 'none' ? { as: 'both', causes: [first.cause, second.cause] } : one
  }
  if (first.probability >= LEADS.from && first.probability >= LEADS.times * next) return one
  if (second !== undefined && first.probability + next >= TWO_CARRY_FROM)
    return { as: 'either', causes: [first.cause, second.cause] }
  return { as: 'unclear', causes: [] }
}

/** Faults of the grinder and what is in it. */
export const OF_THE_GRIND: readonly Fault[] = [
  'grind-too-coarse',
  'grind-too-fine',
  'burrs-out-of-range',
  'pre-ground',
]

/** Which hypotheses a rule of the craft leaves open: all, those with a fault, or those with one beside the grind. */
export type OpenTo = 'all' | 'faults' | 'beside-grind'

const maskOf = (isOpen: (faults: readonly Fault[]) => boolean) =>
  Uint8Array.from(HYPOTHESES, ({ faults }) => Number(isOpen(faults)))
const MASKS: Record<OpenTo, Uint8Array> = {
  all: maskOf(() => true),
  faults: maskOf((faults) => faults.length > 0),
  'beside-grind': maskOf((faults) => faults.some((fault) => !OF_THE_GRIND.includes(fault))),
}

/** The probabilities of what is left open, made up to 1; as they were where nothing would be left. */
export function posteriorOpen(posterior: Float64Array, open: OpenTo): Float64Array {
  if (open === 'all') return posterior
  const mask = MASKS[open]
  const left = new Float64Array(posterior.length)
  for (let at = 0; at < left.length; at += 1) left[at] = (posterior[at] ?? 0) * (mask[at] ?? 0)
  return normalised(left) ?? posterior
}

/** Weights, made up to 1 where they stand; null where there is none. */
export function normalised(weights: Float64Array): Float64Array | null {
  let total = 0
  for (let at = 0; at < weights.length; at += 1) total += weights[at] ?? 0
  if (total <= 0) return null
  for (let at = 0; at < weights.length; at += 1) weights[at] = (weights[at] ?? 0) / total
  return weights
}
