/** What is counted of a shot: where the grinder stood, and the dose in g; null where nobody noted it. */
export interface Ground {
  setting: number | null
  doseG: number | null
}

/** What shots have cost. */
export interface Spent {
  shots: number
  /** Doses, and what was purged after each change of the setting. */
  grams: number
  money: number | null
}

/** @param shots oldest first; `usualDoseG` stands in where a dose was not weighed */
export function spentOn(
  shots: readonly Ground[],
  { usualDoseG, purgeG, pricePerKg }: { usualDoseG: number; purgeG: number; pricePerKg: number | null },
): Spent {
  const settings = shots.flatMap(({ setting }) => setting ?? [])
  const purges = settings.filter((setting, at) => at > 0 && setting !== settings[at - 1]).length
  const grams = shots.reduce((sum, { doseG }) => sum + (doseG ?? usualDoseG), purges * purgeG)
  return { shots: shots.length, grams, money: pricePerKg === null ? null : (grams / 1000) * pricePerKg }
}
