import {
  CAREFUL_SHOT,
  CHANGES,
  CLOCKS,
  DEFAULT_PROGRAMME,
  DOSE_METHODS,
  EXAMPLE_BENCH,
  FINER_IS,
  NO_CONTEXT,
  type Recipe,
  SESSION_DEFAULTS,
  SHOT_PURPOSES,
  SIGNS,
  TONGUES,
  type ShotFacts,
  TILTS,
  unknownFacts,
} from '@calm-apron/core'
import { z } from 'zod'
import { freshnessWindow } from '../prepared/kinds/coffee.ts'
import { BOUNDS } from '../bounds.ts'
import { calendarDate, refuse, within } from '../primitives.ts'
import { recipeTargets } from '../prepared/kinds/recipe.ts'
import { shotFacts } from '../shotFacts.ts'
import { focus } from '../training.ts'

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Facts as a person writes them: whatever is left out is not known. */
const writtenFacts = z.preprocess((value) => {
  if (!isRecord(value)) return value
  const unknown = unknownFacts()
  const over = (key: 'tamp' | 'taste' | 'look') => {
    const written = value[key]
    return written === undefined
      ? unknown[key]
      : isRecord(written)
        ? { ...unknown[key], ...written }
        : written
  }
  return { ...unknown, ...value, tamp: over('tamp'), taste: over('taste'), look: over('look') }
}, shotFacts) as z.ZodType<ShotFacts>

const writtenRecipe = z
  .strictObject({
    ...recipeTargets.shape,
    school: recipeTargets.shape.school.default({ onlyRecorded: [], volume: null, tampForce: null }),
    clock: z.enum(CLOCKS).default('pump'),
    tasteTolerance: z.number().nonnegative().default(2),
    sweetMin: z.number().min(0).max(10).default(5),
  })
  .superRefine(({ doseG, yieldG, timeMinS, timeMaxS, firstDropMinS, firstDropMaxS }, context) => {
    if (timeMinS >= timeMaxS)
      refuse(context, ['timeMaxS'], 'ends-before-start', 'The window ends before it begins.')
    if (firstDropMinS > firstDropMaxS)
      refuse(context, ['firstDropMaxS'], 'ends-before-start', 'The range ends before it begins.')
    if (doseG > yieldG)
      refuse(context, ['yieldG'], 'yield-under-dose', 'The cup would hold less than the dose weighs.')
  }) satisfies z.ZodType<Recipe>

const context = z.strictObject({
  signs: z.partialRecord(z.enum(SIGNS), z.boolean()).default({}),
  doseMethod: z.enum(DOSE_METHODS).default(NO_CONTEXT.doseMethod),
  coffeeAgeDays: z.number().nonnegative().nullable().default(null),
  freshness: freshnessWindow.default(NO_CONTEXT.freshness),
  warmUp: z
    .strictObject({ minutesOn: z.number().nonnegative(), minutesNeeded: z.number().positive() })
    .nullable()
    .default(null),
  changedSinceLast: z.array(z.enum(CHANGES)).nullable().default(null),
  grindOwner: z.enum(['trainer', 'trainee']).default(NO_CONTEXT.grindOwner),
  tongue: z.enum(TONGUES).default(NO_CONTEXT.tongue),
  machine: z
    .strictObject({
      isLever: z.boolean(),
      hasReleaseValve: z.boolean(),
      stopsItself: z.boolean().exactOptional(),
    })
    .nullable()
    .default(null),
  grindMoved: z
    .strictObject({ direction: z.enum(['finer', 'coarser']), steps: z.number().nonnegative() })
    .nullable()
    .default(null),
  isRoastDark: z.boolean().nullable().default(null),
  isRecipesBasket: z.boolean().nullable().default(null),
  setC: within(BOUNDS.temperatureC).nullable().default(null),
  focus: focus.nullable().default(null),
  basketNominalG: z.number().positive().nullable().default(null),
  purpose: z.enum(SHOT_PURPOSES).default(NO_CONTEXT.purpose),
  isSimulated: z.boolean().default(NO_CONTEXT.isSimulated),
})
const writtenContext = context.prefault({})

const scale = {
  minSetting: z.number(),
  maxSetting: z.number(),
  settingStep: z.number().positive(),
  finerIs: z.enum(FINER_IS),
  touchingAt: z.number().nullable().default(null),
}
const isScale = ({ minSetting, maxSetting }: { minSetting: number; maxSetting: number }) =>
  maxSetting > minSetting
const OFF_SCALE = 'That lies off the grinder’s scale.'
const isOnScale = (setting: number, { minSetting, maxSetting }: { minSetting: number; maxSetting: number }) =>
  setting >= minSetting && setting <= maxSetting
const SCALE_ORDER = { path: ['maxSetting'], message: 'The highest setting must lie above the lowest.' }

const shotWithContext = z.strictObject({ facts: writtenFacts, context: writtenContext })

/** Facts of a shot with its recipe, to be read. */
export const readInput = shotWithContext.extend({ recipe: writtenRecipe })

/** A shot to be diagnosed: read, with the grinder’s setting and scale where they are known. */
export const diagnoseInput = readInput
  .extend({
    setting: within(BOUNDS.grindSetting).nullable().default(null),
    grinder: z.strictObject(scale).refine(isScale, SCALE_ORDER).nullable().default(null),
    /** Other settings at which the grinder ran, with its inner burr where it is now. */
    ranAt: z.array(within(BOUNDS.grindSetting)).default([]),
    /** Shots before it at the same setting, oldest first. */
    earlier: z.array(shotWithContext).default([]),
  })
  .superRefine(({ setting, grinder }, context) => {
    if (setting !== null && grinder !== null && !isOnScale(setting, grinder))
      refuse(context, ['setting'], 'off-scale', OFF_SCALE)
  })

const advise = z.strictObject({
  recipe: writtenRecipe,
  grinder: z
    .strictObject({
      ...scale,
      innerBurr: z
        .strictObject({ at: z.number(), settingsPerUnit: z.number().nullable().default(null) })
        .nullable()
        .default(null),
      lnTimePerUnit: z.number().positive().nullable().default(null),
      purgeG: z.number().nonnegative().default(0),
    })
    .refine(isScale, SCALE_ORDER),
  coffeeId: z.string().min(1),
  basketId: z.string().nullable().default(null),
  doseRangeG: z
    .strictObject({ min: z.number().positive(), max: z.number().positive() })
    .nullable()
    .default(null),
  pricePerKg: z.number().nonnegative().nullable().default(null),
  history: z
    .array(
      shotWithContext.extend({
        coffeeId: z.string().min(1),
        setting: within(BOUNDS.grindSetting),
        daysAgo: z.int().nonnegative().default(0),
        isThisSession: z.boolean().default(true),
        basketId: z.string().nullable().default(null),
        innerBurrAt: z.number().nullable().default(null),
        isDialIn: z.boolean().default(true),
        /** Who of those to be trusted tasted it. */
        tasters: z.array(z.string().min(1)).default([]),
      }),
    )
    .default([]),
})

/** A dial-in to be advised: what was pulled so far on which scale. */
export const adviseInput = advise.superRefine(({ doseRangeG, history, grinder }, context) => {
  if (doseRangeG !== null && doseRangeG.min > doseRangeG.max)
    refuse(context, ['doseRangeG', 'max'], 'ends-before-start', 'The range ends before it begins.')
  history.forEach(({ setting }, at) => {
    if (!isOnScale(setting, grinder)) refuse(context, ['history', at, 'setting'], 'off-scale', OFF_SCALE)
  })
})

/** A run of a trainee’s shots, to be assessed. */
export const skillInput = z.strictObject({
  recipe: writtenRecipe,
  shots: z.array(
    shotWithContext.extend({
      purpose: z.enum(SHOT_PURPOSES).default('practice'),
      isReferenceOff: z.boolean().default(false),
      callScore: z.number().min(0).max(1).nullable().default(null),
    }),
  ),
  programme: z
    .strictObject({
      halvingShots: z.number().positive().default(DEFAULT_PROGRAMME.halvingShots),
      leastShots: z.int().positive().default(DEFAULT_PROGRAMME.leastShots),
      readyLeastShots: z.int().positive().default(DEFAULT_PROGRAMME.readyLeastShots),
      steadyFrom: z.number().min(0).max(1).default(DEFAULT_PROGRAMME.steadyFrom),
      readyFrom: z.number().min(0).max(1).default(DEFAULT_PROGRAMME.readyFrom),
      callScoreFrom: z.number().min(0).max(1).default(DEFAULT_PROGRAMME.callScoreFrom),
      signOffDays: z.int().positive().default(DEFAULT_PROGRAMME.signOffDays),
      setShots: z.int().positive().default(DEFAULT_PROGRAMME.setShots),
      setOnShots: z.int().positive().default(DEFAULT_PROGRAMME.setOnShots),
      assessFrom: z.number().min(0).max(1).default(DEFAULT_PROGRAMME.assessFrom),
    })
    .prefault({}),
  signOff: z.strictObject({ ageDays: z.number().nonnegative() }).nullable().default(null),
})

const count = z.int().nonnegative()
const amount = z.number().nonnegative()

/** A session to be planned. */
export const planInput = z.strictObject({
  trainees: z.int().positive(),
  shotsEach: z.int().positive(),
  groups: z.int().positive().default(1),
  doseG: z.number().positive(),
  surplusG: amount.default(0.5),
  dialInShots: count.default(4),
  purges: count.default(4),
  purgeG: amount.default(3),
  wasteShare: z.number().min(0).max(1).default(SESSION_DEFAULTS.wasteShare),
  bagG: z.number().positive().default(1000),
  bagPrice: amount.default(0),
  minutesPerShot: z.number().positive().default(SESSION_DEFAULTS.minutesPerShot),
  breakMinutes: amount.default(0),
  warmUpMinutes: amount.default(0),
  coffee: z
    .strictObject({ roastedOn: calendarDate, onDate: calendarDate, freshness: freshnessWindow })
    .nullable()
    .default(null),
  milkDrinksEach: count.default(0),
  milkMl: amount.default(0),
})

const share = z.number().min(0).max(1)

/** A shot of the bench to be simulated. */
export const simulateInput = z.strictObject({
  /** What of the example bench is otherwise. */
  bench: z
    .strictObject({
      diameterAtZeroUm: z.number().min(1).max(100).default(EXAMPLE_BENCH.diameterAtZeroUm),
      lnDiameterPerUnit: z.number().min(-1).max(1).default(EXAMPLE_BENCH.lnDiameterPerUnit),
      bend: z.number().min(-1).max(1).default(EXAMPLE_BENCH.bend),
      bendsAt: z.number().default(EXAMPLE_BENCH.bendsAt),
      retentionG: z.number().min(0).max(30).default(EXAMPLE_BENCH.retentionG),
      waterC: z.number().min(60).max(100).default(EXAMPLE_BENCH.waterC),
      preinfusionS: z.number().min(0).max(60).default(EXAMPLE_BENCH.preinfusionS),
      preinfusionBar: z.number().min(0).max(9).default(EXAMPLE_BENCH.preinfusionBar),
      spring: z
        .strictObject({
          startBar: z.number().min(0).max(15),
          endBar: z.number().min(0).max(15),
          strokeG: z.number().min(1).max(500),
        })
        .nullable()
        .default(EXAMPLE_BENCH.spring),
      swing: z
        .strictObject({
          amplitudeC: z.number().min(0).max(15),
          periodS: z.number().min(1).max(3600),
          phase: share,
        })
        .nullable()
        .default(EXAMPLE_BENCH.swing),
      dirt: share.default(EXAMPLE_BENCH.dirt),
      poorWater: share.default(EXAMPLE_BENCH.poorWater),
      coffee: z
        .strictObject({
          gas: share.default(EXAMPLE_BENCH.coffee.gas),
          staleness: share.default(EXAMPLE_BENCH.coffee.staleness),
          roast: share.default(EXAMPLE_BENCH.coffee.roast),
          pace: z.number().min(-1).max(1).default(EXAMPLE_BENCH.coffee.pace),
        })
        .prefault({}),
    })
    .prefault({}),
  done: z
    .strictObject({
      setting: within(BOUNDS.grindSetting).default(CAREFUL_SHOT.setting),
      unpurgedFrom: within(BOUNDS.grindSetting).nullable().default(CAREFUL_SHOT.unpurgedFrom),
      doseG: within({ min: 5, max: 30 }).default(CAREFUL_SHOT.doseG),
      tilt: z.enum(TILTS).default(CAREFUL_SHOT.tilt),
      pressed: z.number().min(0).max(5).default(CAREFUL_SHOT.pressed),
      unevenness: share.default(CAREFUL_SHOT.unevenness),
      offC: z.number().min(-40).max(10).default(CAREFUL_SHOT.offC),
      isBasketDry: z.boolean().default(CAREFUL_SHOT.isBasketDry),
      stopAtG: within({ min: 1, max: 200 }).default(CAREFUL_SHOT.stopAtG),
      stopAtS: within({ min: 1, max: 180 }).default(CAREFUL_SHOT.stopAtS),
    })
    .prefault({}),
  /** Whether the 10 Hz samples are wanted as well. */
  withSamples: z.boolean().default(false),
})
