import { type Cause, type Diagnosis, type Readings, diagnose } from '@calm-apron/core'
import { CHANNELLING, missOutweighsFaults } from '@calm-apron/core/bench'

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
 * A grind move that the craft forbids on what was observed: the gate failed and could explain the miss, or there were
 * signs of channelling, or it was the likeliest cause, within 30 % of the window. Written anew here, so that it checks.
 */
export function isForbidden({ readings, said }: Answer): boolean {
  if (said.move.lever !== 'grind' || readings.flow.state === 'choking') return false
  const { gate, flow, dose, unevenSigns } = readings
  const faults = gate.faults.filter((fault) => fault !== 'tamp-slightly-tilted')
  if (faults.length > 0 && !missOutweighsFaults(flow, gate, dose)) return true
  const isChannelling = unevenSigns.length > 0 || CHANNELLING.some((fault) => fault === said.causes[0]?.cause)
  return isChannelling && flow.missLn <= 0.3
}

/** A grind move that the hidden truth does not want. */
export function isWrongGrindMove({ causes, said: { move } }: Answer): boolean {
  if (move.lever !== 'grind') return false
  const wanted: Cause[] = move.direction === 'finer' ? ['grind-too-coarse'] : ['grind-too-fine']
  return !causes.some((cause) => wanted.includes(cause) || cause === 'burrs-out-of-range')
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
