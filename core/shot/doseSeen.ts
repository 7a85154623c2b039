import type { Recipe } from '../recipe/recipe.ts'
import { type CountMethod, type DoseMethod, DOSE_SPREAD_G, type MarkMethod } from './doseMethod.ts'
import type { ShotFacts, Weighing } from './facts.ts'
import type { MarkPlace } from './markPlaces.ts'
import { netG } from './weighing.ts'

/** A dose that nobody weighed: where it stood to its mark, or how many went in. What that weighs is not said here. */
export type DoseSeen =
  | { by: 'mark'; mark: MarkMethod; at: MarkPlace }
  | { by: 'count'; of: CountMethod; count: number }

/** A dose as it was measured: weighed, or seen. */
export type DoseFact = Weighing | DoseSeen

/** Grams in a level scoop where the recipe does not say how many make its dose: the usual size. */
const SCOOP_G = 7
/** A dose is seen to be off its mark from about so many spreads on. */
const SEEN_OFF_SPREADS = 2

/** Whether a dose was seen and not weighed. */
export function isDoseSeen(dose: DoseFact | null): dose is DoseSeen {
  return dose?.by === 'mark' || dose?.by === 'count'
}

/** The dose on a scale, in g; null where it was seen, or not measured. */
export function weighedDoseG({ dose }: Pick<ShotFacts, 'dose'>): number | null {
  return isDoseSeen(dose) ? null : netG(dose)
}

/** How a dose was measured, as far as the shot says; null where it doesn't. */
export function doseMethodOf({ dose, noted }: Pick<ShotFacts, 'dose' | 'noted'>): DoseMethod | null {
  if (dose?.by === 'mark') return dose.mark
  return dose?.by === 'count' ? dose.of : (noted?.doseMethod ?? null)
}

/** What a dose is likely to weigh in g, and how sure that is, as sd. */
export interface DoseEstimate {
  g: number
  sdG: number
}

/**
 * What went into the basket: as weighed, else by its mark, which stands for the recipe's dose, or by its count, of which
 * the recipe says how many make its dose. Null where nothing was measured, or nobody knows what one of them weighs.
 * @param weighedBy how it was measured where the shot does not say
 */
export function doseEstimate(
  facts: Pick<ShotFacts, 'dose' | 'noted'>,
  recipe: Pick<Recipe, 'doseG' | 'doseCount'>,
  weighedBy: DoseMethod = 'scale',
): DoseEstimate | null {
  const { dose } = facts
  if (dose === null) return null
  const sdG = DOSE_SPREAD_G[doseMethodOf(facts) ?? weighedBy]
  if (dose.by === 'mark') {
    const off = { below: -1, at: 0, above: 1 }[dose.at]
    return { g: Math.max(0, recipe.doseG + off * SEEN_OFF_SPREADS * sdG), sdG }
  }
  if (dose.by === 'count') {
    const eachG = gramsOfOne(dose.of, recipe)
    return eachG === null ? null : { g: dose.count * eachG, sdG }
  }
  const g = netG(dose)
  return g === null ? null : { g, sdG }
}

function gramsOfOne(
  of: CountMethod,
  { doseG, doseCount = null }: Pick<Recipe, 'doseG' | 'doseCount'>,
): number | null {
  if (doseCount !== null && doseCount > 0) return doseG / doseCount
  return of === 'scoop' ? SCOOP_G : null
}

/** How many make a recipe's dose; null where nobody knows. */
export function countWanted(of: CountMethod, recipe: Pick<Recipe, 'doseG' | 'doseCount'>): number | null {
  const eachG = gramsOfOne(of, recipe)
  return eachG === null ? null : recipe.doseG / eachG
}

/** What to do to a dose that was seen off: come up or down to its mark, or so many more or fewer. */
export type SeenTrim =
  | { by: 'mark'; mark: MarkMethod; at: Exclude<MarkPlace, 'at'> }
  | { by: 'count'; of: CountMethod; count: number }
/** What to do to a dose, in the measure that it was taken with. */
export type DoseTrim = { by: 'mass'; g: number } | SeenTrim

/** A seen dose is only counted in halves: fewer say nothing. */
const HALF = 0.5

/** The trim of a dose that was seen; null where it is as it should be, or nobody knows how many that is. */
export function seenTrim(dose: DoseSeen, recipe: Pick<Recipe, 'doseG' | 'doseCount'>): SeenTrim | null {
  if (dose.by === 'mark') return dose.at === 'at' ? null : { by: 'mark', mark: dose.mark, at: dose.at }
  const wanted = countWanted(dose.of, recipe)
  if (wanted === null) return null
  const count = Math.round((wanted - dose.count) / HALF) * HALF
  return count === 0 ? null : { by: 'count', of: dose.of, count }
}
