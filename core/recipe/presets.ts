import { THRESHOLDS } from '../thresholds.ts'
import type { RecipeMethod, RecipePreset, RecipePresetKey } from './presetKinds.ts'
import type { RecipeSchool } from './recipe.ts'

const JUDGED: RecipeSchool = { onlyRecorded: [], volume: null, tampForce: null }
const CUP = { tasteTolerance: 2, sweetMin: 5 }
const METHOD: RecipeMethod = {
  doseBy: 'scale',
  tampBy: 'settled',
  isTwisted: false,
  temperatureC: 93,
  lowDoseRule: null,
  mayExceedBasket: false,
}
const NORMALE: RecipePreset = {
  targets: {
    doseG: 18,
    doseToleranceG: 0.3,
    yieldG: 38,
    yieldToleranceG: 2,
    clock: 'pump',
    timeMinS: 25,
    timeMaxS: 31,
    firstDropMinS: 5,
    firstDropMaxS: 10,
    ...CUP,
    school: JUDGED,
  },
  method: METHOD,
  basketSize: 'double',
}
const but = (
  targets: Partial<RecipePreset['targets']>,
  rest: Partial<Omit<RecipePreset, 'targets'>> = {},
): RecipePreset => ({ ...NORMALE, ...rest, targets: { ...NORMALE.targets, ...targets } })

/** The main schools, each as one whole recipe; the numbers are starting points, not the truth. */
export const PRESET_RECIPES: Record<RecipePresetKey, RecipePreset> = {
  'normale-pump': NORMALE,
  'normale-drop': but({ clock: 'drop', timeMinS: 20, timeMaxS: 26 }),
  short: but({ yieldG: 28, timeMinS: 24, timeMaxS: 30, sweetMin: 4 }),
  long: but({ yieldG: 54, yieldToleranceG: 3, timeMinS: 28, timeMaxS: 36 }),
  volume: but(
    {
      doseG: 15,
      doseToleranceG: 1,
      yieldG: 37.5,
      yieldToleranceG: 4,
      clock: 'drop',
      timeMinS: 20,
      timeMaxS: 30,
      school: {
        ...JUDGED,
        volume: {
          targetMl: 50,
          toleranceMl: 5,
          gPerMl: THRESHOLDS.beverageGPerMl,
          gPerMlSd: THRESHOLDS.beverageGPerMlSd,
        },
      },
    },
    { method: { ...METHOD, doseBy: 'sweep' } },
  ),
  'taste-led': but({
    yieldG: 40,
    timeMinS: 18,
    timeMaxS: 40,
    firstDropMinS: 4,
    firstDropMaxS: 14,
    school: { ...JUDGED, onlyRecorded: ['time'] },
  }),
  single: but(
    { doseG: 8.5, yieldG: 18, yieldToleranceG: 1.5, timeMinS: 18, timeMaxS: 24 },
    { basketSize: 'single' },
  ),
  beginners: but({ doseToleranceG: 0.5, yieldToleranceG: 4, timeMinS: 22, timeMaxS: 36, tasteTolerance: 3 }),
  'basket-line': but(
    {
      doseG: 16,
      doseToleranceG: 0.8,
      yieldG: 34,
      yieldToleranceG: 3,
      clock: 'drop',
      timeMinS: 20,
      timeMaxS: 30,
    },
    { method: { ...METHOD, doseBy: 'basket-line' } },
  ),
  assisted: but(
    {
      doseToleranceG: 1,
      yieldG: 40,
      yieldToleranceG: 4,
      timeMinS: 24,
      timeMaxS: 34,
      school: { ...JUDGED, onlyRecorded: ['tamp'] },
    },
    { method: { ...METHOD, doseBy: 'machine-light', tampBy: 'lever' } },
  ),
  'held-preinfusion': but({
    clock: 'pressure',
    timeMinS: 18,
    timeMaxS: 26,
    firstDropMinS: 7,
    firstDropMaxS: 16,
  }),
}
