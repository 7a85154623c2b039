/** A weight that somebody read off the scale under the cup while a shot ran, and typed. */
export interface WeightSeen {
  /** s from pump start. */
  atS: number
  /** g in the cup. */
  weightG: number
}

/**
 * When a weight will be reached at the flow between the last two that were read, the first drop standing for one of 0 g; in
 * s from pump start, or null where nothing flows, or only one is known.
 * @example projectedFrom([{ atS: 12, weightG: 10 }, { atS: 18, weightG: 22 }], 6, 36) // => 25
 */
export function projectedFrom(
  seen: readonly WeightSeen[],
  firstDropS: number | null,
  targetG: number,
): number | null {
  const all = [...(firstDropS === null ? [] : [{ atS: firstDropS, weightG: 0 }]), ...seen]
  const [before, last] = all.slice(-2)
  if (before === undefined || last === undefined) return null
  const flow = (last.weightG - before.weightG) / (last.atS - before.atS)
  if (!(flow > 0) || flow === Infinity) return null
  return last.atS + (targetG - last.weightG) / flow
}
