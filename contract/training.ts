import {
  FOCUS_PARTS,
  type Focus,
  GRIND_OWNERS,
  RECHECK_REASONS,
  type TrainingEvent,
  type TrainingHappening,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { id, instant, line, pageFields, refuse, within } from './primitives.ts'
import { tasteTargets } from './prepared/kinds/recipe.ts'

/** What a training looks at; first call and notes of every so manyth shot. */
export const focus = z.strictObject({
  on: z.array(z.enum(FOCUS_PARTS)).min(1).max(FOCUS_PARTS.length),
  fullEvery: z.int().min(BOUNDS.fullEvery.min).max(BOUNDS.fullEvery.max),
}) satisfies z.core.$ZodType<Focus>

const seat = z.strictObject({
  personId: id,
  machineId: id.nullable(),
  groupNo: z.int().min(0).max(BOUNDS.listLength.max),
  /** Where it pulls with something else than the training does. */
  with: z
    .strictObject({
      recipeRevisionId: id.exactOptional(),
      grinderId: id.nullable().exactOptional(),
      routineId: id.nullable().exactOptional(),
    })
    .exactOptional(),
})

const setup = z
  .strictObject({
    barId: id,
    purpose: z.enum(['practice', 'assessment']),
    recipeRevisionId: id,
    routineId: id.nullable(),
    grinderId: id.nullable(),
    bagId: id.nullable(),
    grindOwner: z.enum(GRIND_OWNERS),
    seats: z.array(seat).min(1).max(BOUNDS.listLength.max),
    /** Other recipes that are pulled in it. */
    alsoRecipeRevisionIds: z.array(id).max(BOUNDS.alsoRecipes.max).exactOptional(),
  })
  .superRefine(({ purpose, seats, alsoRecipeRevisionIds = [] }, context) => {
    const says = 'A set is pulled by one recipe.'
    if (purpose !== 'assessment') return
    if (alsoRecipeRevisionIds.length > 0)
      refuse(context, ['alsoRecipeRevisionIds'], 'one-recipe-in-a-set', says)
    seats.forEach(({ with: own }, no) => {
      if (own?.recipeRevisionId !== undefined)
        refuse(context, ['seats', no, 'with', 'recipeRevisionId'], 'one-recipe-in-a-set', says)
    })
  })

const lock = z.strictObject({
  grinderId: id,
  bagId: id.nullable(),
  recipeRevisionId: id,
  setting: within(BOUNDS.grindSetting),
  doseG: within(BOUNDS.doseNetG),
  /** Left out where it is the recipe’s. */
  yieldG: within(BOUNDS.targetG).exactOptional(),
  /** What two trainers tasted; left out where they didn’t. */
  taste: tasteTargets.exactOptional(),
  basketId: id.nullable(),
  innerBurrAt: within(BOUNDS.burr).nullable(),
  shots: z.int().min(BOUNDS.shotCount.min).max(BOUNDS.shotCount.max),
  grams: within(BOUNDS.spentG),
  money: within(BOUNDS.money).nullable(),
})

/** One thing that happened in a training. */
export const trainingHappening = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('started'), setup }),
  z.strictObject({ kind: z.literal('changed'), setup }),
  z.strictObject({ kind: z.literal('focused'), focus }),
  z.strictObject({ kind: z.literal('break-began') }),
  z.strictObject({ kind: z.literal('break-ended') }),
  z.strictObject({ kind: z.literal('locked'), lock }),
  z.strictObject({ kind: z.literal('unlocked'), why: z.enum(RECHECK_REASONS) }),
  z.strictObject({
    kind: z.literal('ended'),
    left: z.strictObject({ rinsed: z.boolean(), wiped: z.boolean(), handleBack: z.boolean() }),
  }),
  z.strictObject({ kind: z.literal('reopened') }),
]) satisfies z.core.$ZodType<TrainingHappening>

/** Something that happened in a training, as a tablet tells it. */
export const trainingEventInput = z.strictObject({
  by: id,
  at: instant,
  happening: trainingHappening,
  after: id.nullable().exactOptional(),
})
export type TrainingEventInput = z.infer<typeof trainingEventInput>

/** Something that happened in a training, as everyone is told it. */
export const trainingEvent = z.strictObject({
  eventId: id,
  ...trainingEventInput.shape,
  /** Who was signed in where it was sent from; left out of what was not sent yet. */
  sentBy: id.exactOptional(),
}) satisfies z.core.$ZodType<TrainingEvent>

/** What is happening at one group just now: shown to the other tablets, kept for nobody. */
export const groupStage = z.strictObject({
  personId: id,
  shotId: id,
  /** The bar's own name of its step. */
  step: line({ min: 1, max: 30 }),
  phase: z.enum(['before', 'waiting', 'flowing', 'stopped']),
  pumpS: within(BOUNDS.instantS),
  weightG: within({ min: -BOUNDS.scaleG.max, max: BOUNDS.scaleG.max }).nullable(),
  /** The sender's clock, for showing how long ago that was. */
  at: instant,
})
export type GroupStage = z.infer<typeof groupStage>
/** What a group is at, with which group it is. */
export const stageOfGroup = z.strictObject({ group: z.string(), ...groupStage.shape })
export type StageOfGroup = z.infer<typeof stageOfGroup>

/** One training: all that happened in it, oldest first. */
export const training = z.strictObject({ trainingId: id, events: z.array(trainingEvent) })
export type Training = z.infer<typeof training>
/** The trainings of the last day that are not over, newest first. */
export const trainingList = z.strictObject({ trainings: z.array(training) })

/** Which page of the trainings that are over. */
export const pastTrainingsQuery = z.strictObject({
  ...pageFields(),
})
export type PastTrainingsQuery = z.infer<typeof pastTrainingsQuery>
/** Trainings that are over, newest first, and how many turns each pulled in them of whom the asker may know. */
export const pastTrainings = z.strictObject({
  trainings: z.array(training),
  turns: z.array(z.strictObject({ trainingId: id, personId: id, shots: z.int().positive() })).default([]),
  nextCursor: z.string().nullable(),
})
export type PastTrainings = z.infer<typeof pastTrainings>

/** What a live line says: that a training changed and should be asked for anew, or what a group does now. */
export const liveMessage = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('training'), trainingId: id }),
  z.strictObject({ kind: z.literal('shot'), shotId: id }),
  z.strictObject({ kind: z.literal('stage'), stage: stageOfGroup }),
])
export type LiveMessage = z.infer<typeof liveMessage>
