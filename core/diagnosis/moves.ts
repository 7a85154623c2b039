import { CHANNELLING } from './cupVerdict.ts'
import type { Fault } from './causes.ts'
import { HYPOTHESES } from './hypotheses.ts'
import type { Move } from './types.ts'

/** A move that could be made, and how far it mends which faults: 1 is wholly. */
export interface Candidate {
  move: Move
  mends: Partial<Record<Fault, number>>
}

/**
 * What a move is worth where it mends the only fault, or one of two, and what it costs where it mends nothing: a grind
 * move that was not wanted spoils the next shot, and purging for it costs coffee.
 */
const WORTH = {
  mendsAll: 1,
  mendsOne: 0.6,
  wrongGrind: -0.3,
  wrong: -0.15,
  look: 0.2,
  lookPerNat: 0.6,
} as const

/** The moves that mend each fault where nothing has to be known to size them. */
export const MENDS: readonly Candidate[] = [
  { move: { lever: 'tamp', how: 'level' }, mends: { 'tamp-tilted': 1 } },
  { move: { lever: 'tamp', how: 'settle' }, mends: { 'tamp-light': 1 } },
  { move: { lever: 'tamp', how: 'alike' }, mends: { 'tamp-varying': 1 } },
  { move: { lever: 'distribution' }, mends: { 'poor-distribution': 1 } },
  { move: { lever: 'dry' }, mends: { 'basket-wet': 1 } },
  { move: { lever: 'clean' }, mends: { dirty: 1 } },
  { move: { lever: 'purge' }, mends: { 'not-purged': 1 } },
  { move: { lever: 'heat' }, mends: { cold: 1 } },
  { move: { lever: 'cool' }, mends: { 'too-hot': 1 } },
  { move: { lever: 'cycle' }, mends: { 'temperature-swing': 1 } },
  { move: { lever: 'rest' }, mends: { 'coffee-too-fresh': 1 } },
  { move: { lever: 'bag' }, mends: { 'coffee-stale': 1 } },
  { move: { lever: 'fresh-grounds' }, mends: { 'pre-ground': 1 } },
  { move: { lever: 'coffee' }, mends: { 'roast-character': 1 } },
  { move: { lever: 'water' }, mends: { 'poor-water': 1 } },
  { move: { lever: 'basket' }, mends: { 'wrong-basket': 1 } },
  { move: { lever: 'burrs' }, mends: { 'burrs-out-of-range': 1 } },
]

/** Moves that give the water an even bed. */
export const PUCK_MOVES: readonly Candidate[] = MENDS.filter(({ mends }) =>
  CHANNELLING.some((fault) => fault in mends),
)

/** What one more look is worth that would tell `gain` nats: it mends nothing, but the next move is then surer. */
export function lookWorth(gain: number): number {
  return WORTH.look + WORTH.lookPerNat * gain
}

/** The candidate with the largest expected benefit over all that may be behind the shot; null for none at all. */
export function bestOf(
  candidates: readonly Candidate[],
  posterior: Float64Array,
): { candidate: Candidate; benefit: number } | null {
  const likely = likelyOnes(posterior)
  let best: { candidate: Candidate; benefit: number } | null = null
  for (const candidate of candidates) {
    const benefit = expectedBenefit(candidate, likely)
    if (best === null || benefit > best.benefit) best = { candidate, benefit }
  }
  return best
}

/** Hypotheses less likely than this don't change which move is best. */
const LEAST = 5e-4

function likelyOnes(posterior: Float64Array): { faults: readonly Fault[]; probability: number }[] {
  const likely = []
  for (let at = 0; at < posterior.length; at += 1) {
    const probability = posterior[at] ?? 0
    if (probability > LEAST) likely.push({ faults: HYPOTHESES[at]?.faults ?? [], probability })
  }
  return likely
}

function expectedBenefit(
  { move, mends }: Candidate,
  likely: readonly { faults: readonly Fault[]; probability: number }[],
): number {
  const wrong = move.lever === 'grind' ? WORTH.wrongGrind : WORTH.wrong
  const isLeft = move.lever === 'leave'
  let sum = 0
  for (const { faults, probability } of likely) sum += probability * worthIn(faults, mends, wrong, isLeft)
  return sum
}

function worthIn(
  faults: readonly Fault[],
  mends: Candidate['mends'],
  wrong: number,
  isLeft: boolean,
): number {
  if (faults.length === 0) return isLeft ? WORTH.mendsAll : wrong
  let share = 0
  for (const fault of faults) share = Math.max(share, mends[fault] ?? 0)
  return share === 0 ? wrong : share * (faults.length === 1 ? WORTH.mendsAll : WORTH.mendsOne)
}
