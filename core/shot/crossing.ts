import type { ShotSample } from './facts.ts'

/** Seconds over which the last flow is taken, and how far ahead it may be projected, as a share of the target. */
const LAST_FLOW_S = 3
const PROJECTED_SHARE = 0.25

/**
 * When the weight on the scale crossed a level, between two samples in proportion; where the shot was stopped just
 * before it, projected at its last flow. Null where it came nowhere near.
 * @param samples oldest first, s from pump start and g in the cup
 */
export function crossingS(samples: readonly ShotSample[], levelG: number): number | null {
  const after = samples.findIndex(({ weightG }) => weightG >= levelG)
  const [here, before] = [samples[after], samples[after - 1]]
  if (here !== undefined) return before === undefined ? here.timeS : between(before, here, levelG)
  return projected(samples, levelG)
}

function between(before: ShotSample, here: ShotSample, levelG: number): number {
  const share = (levelG - before.weightG) / (here.weightG - before.weightG)
  return before.timeS + share * (here.timeS - before.timeS)
}

function projected(samples: readonly ShotSample[], levelG: number): number | null {
  const last = samples.at(-1)
  if (last === undefined || last.weightG < levelG * (1 - PROJECTED_SHARE)) return null
  const from = samples.find(({ timeS }) => timeS >= last.timeS - LAST_FLOW_S)
  if (from === undefined || from.timeS === last.timeS || from.weightG >= last.weightG) return null
  const gPerS = (last.weightG - from.weightG) / (last.timeS - from.timeS)
  return last.timeS + (levelG - last.weightG) / gPerS
}
