import {
  CLOCKS,
  DOSE_METHODS,
  LOW_DOSE_RULES,
  READING_KINDS,
  type Recipe,
  type RecipeMethod,
  type RecipeSchool,
  TAMP_SCHOOLS,
  THRESHOLDS,
  type TasteTargets,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { id, line, name, refuse, within } from '../../primitives.ts'
import { definedKind, firstSteps, namedBasket } from './definedKind.ts'

const recipeSchool = z.strictObject({
  /** Readings that are recorded and not judged. */
  onlyRecorded: z.array(z.enum(READING_KINDS)).max(READING_KINDS.length),
  /** Yield read by its volume with crema, and what that weighs; null: by mass. */
  volume: z
    .strictObject({
      targetMl: within(BOUNDS.targetMl),
      toleranceMl: within(BOUNDS.targetMl),
      gPerMl: within(BOUNDS.gPerMl),
      gPerMlSd: within(BOUNDS.gPerMlSd),
    })
    .nullable(),
  /** A tamp of a set force; null: none is set. */
  tampForce: z.strictObject({ targetN: within(BOUNDS.forceN), toleranceN: within(BOUNDS.forceN) }).nullable(),
}) satisfies z.core.$ZodType<RecipeSchool>

/** What a cup should taste of, each axis 0–10. */
export const tasteTargets = z.strictObject({
  sour: within(BOUNDS.taste),
  sweet: within(BOUNDS.taste),
  bitter: within(BOUNDS.taste),
}) satisfies z.core.$ZodType<TasteTargets>

/** The targets and tolerances of a recipe; masses in g, times in s on `clock`. */
export const recipeTargets = z
  .strictObject({
    doseG: within(BOUNDS.doseNetG),
    doseToleranceG: within(BOUNDS.toleranceG),
    /** How many scoops, pulls or seconds make the dose; null: it is not counted. */
    doseCount: within(BOUNDS.doseCount).nullable().exactOptional(),
    yieldG: within(BOUNDS.targetG),
    yieldToleranceG: within(BOUNDS.toleranceG),
    clock: z.enum(CLOCKS),
    timeMinS: within({ min: 1, max: BOUNDS.instantS.max }),
    timeMaxS: within({ min: 1, max: BOUNDS.instantS.max }),
    firstDropMinS: within(BOUNDS.instantS),
    firstDropMaxS: within(BOUNDS.instantS),
    tasteTolerance: within(BOUNDS.taste),
    sweetMin: within(BOUNDS.taste),
    /** What the cup should taste of; null: balanced, and no more than bright. */
    taste: tasteTargets.nullable().exactOptional(),
    school: recipeSchool,
  })
  .superRefine((targets, context) => {
    if (targets.timeMinS >= targets.timeMaxS)
      refuse(context, ['timeMaxS'], 'ends-before-start', 'The window ends before it begins.')
    if (targets.firstDropMinS > targets.firstDropMaxS)
      refuse(context, ['firstDropMaxS'], 'ends-before-start', 'The range ends before it begins.')
  }) satisfies z.core.$ZodType<Recipe>

const recipeMethod = z.strictObject({
  doseBy: z.enum(DOSE_METHODS),
  /** The basket that the dose belongs to. */
  basketId: id.nullable(),
  tampBy: z.enum(TAMP_SCHOOLS),
  isTwisted: z.boolean(),
  temperatureC: within(BOUNDS.temperatureC).nullable(),
  lowDoseRule: z.enum(LOW_DOSE_RULES).nullable(),
  /** Whether the dose may knowingly be more than the basket is made for. */
  mayExceedBasket: z.boolean().default(false),
}) satisfies z.core.$ZodType<RecipeMethod>

/** All that a recipe says. */
export const recipeContent = z.strictObject({
  name,
  targets: recipeTargets,
  method: recipeMethod,
  /** The coffee it is for; null: whichever it is, as that says. */
  coffeeId: id.nullable().default(null),
  /** The drink it is for, in the house's own words. */
  drink: line({ min: 0, max: BOUNDS.nameLength.max }),
  tastingWords: line(BOUNDS.noteLength),
  /** For the learner. */
  note: line(BOUNDS.noteLength),
})
export type RecipeContent = z.infer<typeof recipeContent>

const asBefore = { mayExceedBasket: false }

/** Recipes are begun from a preset, at a place of their own. No coffee and no such dose was asked for before version 4. */
export const recipe = definedKind({
  content: recipeContent,
  parent: null,
  begins: null,
  parts: {
    volume: () => ({
      targetMl: 50,
      toleranceMl: 5,
      gPerMl: THRESHOLDS.beverageGPerMl,
      gPerMlSd: THRESHOLDS.beverageGPerMlSd,
    }),
    taste: () => ({ sour: 3, sweet: 7, bitter: 3 }),
    tampForce: () => ({ targetN: 130, toleranceN: 20 }),
  },
  namedKinds: ['basket', 'coffee'],
  names: ({ method, coffeeId }) => [
    ...namedBasket('method.basketId', method.basketId),
    ...(coffeeId === null ? [] : [{ path: 'coffeeId', kind: 'coffee', preparedId: coffeeId }]),
  ],
  steps: [
    ...firstSteps(),
    ({ method, ...content }) => ({
      coffeeId: null,
      ...content,
      method: typeof method === 'object' ? { ...asBefore, ...method } : method,
    }),
  ],
})

/** A recipe as it stood when a shot was judged by it. */
export const recipeRevision = z.strictObject({
  recipeRevisionId: id,
  recipeId: id,
  revisionNo: z.int().positive(),
  ...recipeContent.shape,
})
export type RecipeRevision = z.infer<typeof recipeRevision>
