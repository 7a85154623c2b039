import { type Cause, type Diagnosis, type Readings, diagnose } from '@calm-apron/core'
import { CHANNELLING, causesMendedBy, missOutweighsFaults } from '@calm-apron/core/bench'

/** One shot that was asked about: what was behind it, and what was said. */
export interface Answer {
  causes: readonly Cause[]
  readings: Readings
  said: Diagnosis
}

export function answerOf(causes: readonly Cause[], readings: Readings): Answer {
  return { causes, readings, said: diagnose(readings, { setting: null, grinder: null }) }
}

/** The likeliest cause is one of those behind the shot. */
export const isTop1 = ({ causes, said }: Answer) => isAmong(causes, said, 1)
/** One of the three likeliest is. */
export const isTop3 = ({ causes, said }: Answer) => isAmong(causes, said, 3)

function isAmong(causes: readonly Cause[], { causes: ranked }: Diagnosis, first: number): boolean {
  return ranked.slice(0, first).some(({ cause }) => causes.includes(cause))
}

/**
 * How right what was named is, 0–1: one cause, or the first of two that hold at once, counts whole; one of two "either"
 * half. "Not enough to tell" is right only where nobody could have been surer than even.
 * @param couldBeTold whether anyone could have named a cause that is likelier than not; left out, somebody could
 */
export function namedScore(was: readonly Cause[], { named }: Diagnosis, couldBeTold = true): number {
  const [first] = named.causes
  if (first === undefined) return couldBeTold ? 0 : 1
  if (named.as !== 'either' && was.includes(first)) return 1
  return named.causes.some((cause) => was.includes(cause)) ? 0.5 : 0
}

/** Whether the move mends something that was behind the shot, or leaves it where nothing was; null where it asks. */
export function isMoveRight({ causes, said: { move } }: Answer): boolean | null {
  if (move.lever === 'observe') return null
  return causesMendedBy(move).some((cause) => causes.includes(cause))
}

/**
 * A grind move that the craft forbids on what was observed: the gate failed and could explain the miss, or there were
 * signs of channelling, or it was named, within 30 % of the window. Written anew here, so that it checks.
 */
export function isForbidden({ readings, said }: Answer): boolean {
  if (said.move.lever !== 'grind' || readings.flow.state === 'choking') return false
  const { gate, flow, dose, unevenSigns } = readings
  const faults = gate.faults.filter((fault) => fault !== 'tamp-slightly-tilted')
  if (faults.length > 0 && !missOutweighsFaults(flow, gate, dose)) return true
  const isChannelling = unevenSigns.length > 0 || CHANNELLING.some((fault) => fault === said.named.causes[0])
  return isChannelling && flow.missLn <= 0.3
}

/** Ten classes of stated probability: how many answers, what they claimed, and how many were right. */
export function reliability(answers: readonly Answer[]): { n: number; claimed: number; right: number }[] {
  const bins = Array.from({ length: 10 }, () => ({ n: 0, claimed: 0, right: 0 }))
  for (const answer of answers) {
    const probability = answer.said.causes[0]?.probability ?? 0
    const bin = bins[Math.min(9, Math.floor(probability * 10))]
    if (!bin) continue
    bin.n += 1
    bin.claimed += probability
    bin.right += Number(isTop1(answer))
  }
  return bins
}

/** Expected calibration error: the mean distance between claim and truth over the classes, by their size. */
export function calibrationError(answers: readonly Answer[]): number {
  return (
    reliability(answers).reduce((sum, { claimed, right }) => sum + Math.abs(claimed - right), 0) /
    answers.length
  )
}

/** 95 % interval of a share (E. B. Wilson, JASA 22, 1927). */
export function wilson(right: number, n: number): [number, number] {
  const z = 1.96
  const share = right / n
  const middle = (share + (z * z) / (2 * n)) / (1 + (z * z) / n)
  const half = (z / (1 + (z * z) / n)) * Math.sqrt((share * (1 - share)) / n + (z * z) / (4 * n * n))
  return [middle - half, middle + half]
}

/** Mean of paired differences, and the upper end of its 95 % interval. */
export function pairedDifference(differences: readonly number[]): { mean: number; upper: number } {
  const n = differences.length
  const mean = differences.reduce((sum, each) => sum + each, 0) / n
  const variance = differences.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (n - 1)
  return { mean, upper: mean + 1.96 * Math.sqrt(variance / n) }
}
