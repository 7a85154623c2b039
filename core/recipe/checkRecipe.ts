import type { ReadingKind } from '../skill/types.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { Clock } from './recipe.ts'

/** A recipe as far as it has been written down; null is "not yet". Masses in g, times in s. */
export interface RecipeDraft {
  doseG: number | null
  yieldG: number | null
  /** The ratio that was asked for, where one was. */
  ratio: number | null
  clock: Clock | null
  timeMinS: number | null
  timeMaxS: number | null
  firstDropMinS: number | null
  firstDropMaxS: number | null
  onlyRecorded: readonly ReadingKind[]
  /** Whether the cup is read by its volume, and what that volume is thought to weigh. */
  volume: { targetMl: number | null; gPerMl: number | null; gPerMlSd: number | null } | null
  /** The basket it hangs on. */
  basketNominalG: number | null
  /** Whether a dose above that is meant. */
  mayExceedBasket: boolean
}

/** Two parts of a recipe that can't both be meant, with what they say. */
export type RecipeDisagreement =
  | { code: 'over-basket'; doseG: number; nominalG: number }
  | { code: 'under-basket'; doseG: number; nominalG: number }
  | { code: 'ratio-against-yield'; ratio: number; isRatio: number }
  | { code: 'window-without-clock' }
  | { code: 'window-reversed'; minS: number; maxS: number }
  | { code: 'first-drops-reversed'; minS: number; maxS: number }
  | { code: 'first-drop-after-window'; firstDropS: number; endS: number }
  | { code: 'volume-against-mass'; estimateG: number; spreadG: number; yieldG: number }
  | { code: 'nothing-judged' }

/** Where the parts of a recipe disagree, in the order in which one would mend them; it may be meant, so nothing is refused. */
export function checkRecipe(draft: RecipeDraft): RecipeDisagreement[] {
  return [
    ...againstBasket(draft),
    ...againstRatio(draft),
    ...againstVolume(draft),
    ...againstClock(draft),
    ...(draft.onlyRecorded.length >= READINGS ? [{ code: 'nothing-judged' as const }] : []),
  ]
}

const READINGS = 5

function againstBasket({
  doseG,
  basketNominalG: nominalG,
  mayExceedBasket,
}: RecipeDraft): RecipeDisagreement[] {
  if (doseG === null || nominalG === null) return []
  const overG = doseG - nominalG
  if (Math.abs(overG) <= THRESHOLDS.basketToleranceG + NOISE || (overG > 0 && mayExceedBasket)) return []
  return [{ code: overG > 0 ? 'over-basket' : 'under-basket', doseG, nominalG }]
}

function againstRatio({ doseG, yieldG, ratio }: RecipeDraft): RecipeDisagreement[] {
  if (!doseG || !yieldG || ratio === null) return []
  const isRatio = yieldG / doseG
  return Math.abs(isRatio - ratio) > RATIO_ROUNDING ? [{ code: 'ratio-against-yield', ratio, isRatio }] : []
}

/** A volume is never silently a mass: where the grams lie outside what the volume can weigh, one of them is wrong. */
function againstVolume({ volume, yieldG }: RecipeDraft): RecipeDisagreement[] {
  if (volume?.targetMl == null || volume.gPerMl === null || volume.gPerMlSd === null || yieldG === null)
    return []
  const estimateG = volume.targetMl * volume.gPerMl
  const spreadG = volume.targetMl * volume.gPerMlSd
  return Math.abs(yieldG - estimateG) > spreadG + NOISE
    ? [{ code: 'volume-against-mass', estimateG, spreadG, yieldG }]
    : []
}

function againstClock(draft: RecipeDraft): RecipeDisagreement[] {
  const { clock, timeMinS, timeMaxS, firstDropMinS, firstDropMaxS } = draft
  const found: RecipeDisagreement[] = []
  const isTimed = timeMinS !== null || timeMaxS !== null
  if (isTimed && clock === null) found.push({ code: 'window-without-clock' })
  if (timeMinS !== null && timeMaxS !== null && timeMinS >= timeMaxS)
    found.push({ code: 'window-reversed', minS: timeMinS, maxS: timeMaxS })
  if (firstDropMinS !== null && firstDropMaxS !== null && firstDropMinS > firstDropMaxS)
    found.push({ code: 'first-drops-reversed', minS: firstDropMinS, maxS: firstDropMaxS })
  // Only the pump clock counts the wait for the first drop; it must leave some of the window to flow in.
  if (clock === 'pump' && timeMaxS !== null && firstDropMaxS !== null && firstDropMaxS >= timeMaxS)
    found.push({ code: 'first-drop-after-window', firstDropS: firstDropMaxS, endS: timeMaxS })
  return found
}

const NOISE = 1e-9
/** Ratios are written with one or two decimals. */
const RATIO_ROUNDING = 0.051
