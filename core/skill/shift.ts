/** What a run of shots is held against: where it used to lie, and how it used to spread. */
export interface Baseline {
  centre: number
  spread: number
}

/** Half the step that is looked for, and how far it may add up, both in spreads. */
const [ALLOWANCE, DECISION] = [0.5, 4]

/**
 * Where a run has shifted from its baseline: tabular CUSUM on either side, begun anew after each signal
 * (E. S. Page, "Continuous inspection schemes", Biometrika 41, 1954; D. C. Montgomery, "Introduction to Statistical
 * Quality Control", §9.1). Indexes into `values`, with the side it went to.
 */
export function shifts(
  values: readonly number[],
  { centre, spread }: Baseline,
): { at: number; side: -1 | 1 }[] {
  let [above, below] = [0, 0]
  const found: { at: number; side: -1 | 1 }[] = []
  values.forEach((value, at) => {
    const z = (value - centre) / spread
    above = Math.max(0, above + z - ALLOWANCE)
    below = Math.max(0, below - z - ALLOWANCE)
    if (above <= DECISION && below <= DECISION) return
    found.push({ at, side: above > DECISION ? 1 : -1 })
    above = 0
    below = 0
  })
  return found
}
