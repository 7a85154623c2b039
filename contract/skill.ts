import {
  type BarDrift,
  CALLED_PLACES,
  CHART_SIGNALS,
  type Confusion,
  type ControlChart,
  type DialInsDone,
  MEASURED_BY,
  type MoreShots,
  type OnProbability,
  READING_KINDS,
  RUNGS,
  type ReadingKind,
  SKILLS,
  SKILL_STORIES,
  STANDINGS,
  type Signal,
  type SkillEntry,
  type SkillFamily,
  type SkillStanding,
  TASTE_AXES,
  type TraineeSkill,
  eachSkill,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { id, instant, line } from './primitives.ts'

const signal = z.strictObject({
  kind: z.enum(CHART_SIGNALS),
  at: z.int().nonnegative(),
  isWorse: z.boolean(),
}) satisfies z.core.$ZodType<Signal>

const onProbability = z.strictObject({
  mean: z.number(),
  low: z.number(),
  high: z.number(),
  effectiveShots: z.number(),
}) satisfies z.core.$ZodType<OnProbability>

const skillStanding = z.strictObject({
  shots: z.int().nonnegative(),
  deciding: z.int().nonnegative(),
  counts: z.strictObject({ on: z.number(), near: z.number(), off: z.number() }),
  /** Null below eight shots, and to trainees: a percentage is the trainer's view. */
  on: onProbability.nullable(),
  bias: z.number().nullable(),
  spread: z.number().nullable(),
  chart: z
    .strictObject({
      centre: z.number(),
      lower: z.number(),
      upper: z.number(),
      signals: z.array(signal),
    })
    .nullable() satisfies z.core.$ZodType<ControlChart | null>,
  recentWorsening: z.array(signal),
  shift: z.strictObject({ shots: z.int().positive(), mean: z.number() }).nullable(),
  rung: z.enum(['new', 'learning', 'steady', 'ready']),
  /** Null to trainees too: a forecast is the trainer's view. */
  moreToSteady: z
    .strictObject({ about: z.int(), low: z.int(), high: z.int() })
    .nullable() satisfies z.core.$ZodType<MoreShots | null>,
  onShotsToNextRung: z.int().positive().nullable(),
  story: z.enum(SKILL_STORIES),
}) satisfies z.core.$ZodType<SkillStanding>

const confusion = z.strictObject({
  calls: z.int().positive(),
  right: z.int().nonnegative(),
  taken: z.array(
    z.strictObject({
      truly: z.enum(CALLED_PLACES),
      said: z.enum(CALLED_PLACES),
      times: z.int().positive(),
    }),
  ),
}) satisfies z.core.$ZodType<Confusion>

const skillEntry = z.strictObject({
  shotId: id,
  pulledAt: instant,
  standing: z.enum(STANDINGS),
  deviation: z.number().nullable(),
  isHelped: z.boolean(),
}) satisfies z.core.$ZodType<SkillEntry>

const family = z.strictObject({
  by: z.enum(MEASURED_BY),
  basketId: id.nullable(),
}) satisfies z.core.$ZodType<SkillFamily>

/** What a list and a page both show of one family of shots. */
const SHARED = {
  family,
  shots: z.int().nonnegative(),
  lastAt: instant.nullable(),
  safetyMissed: z.int().nonnegative(),
  alikeRangeS: z.number().nullable(),
  /** Null below eight shots, and to trainees: a forecast is the trainer's view. */
  passToday: z.number().nullable(),
  rung: z.enum(RUNGS),
  isAssessmentWorthIt: z.boolean(),
  practiseNext: z.strictObject({ skill: z.enum(SKILLS), story: z.enum(SKILL_STORIES) }).nullable(),
  wentRight: z.enum(SKILLS).nullable(),
  lastSession: z.strictObject({ shots: z.int().positive(), good: z.int().nonnegative() }).nullable(),
  tolerances: z.record(z.enum(READING_KINDS), z.number().nullable()) satisfies z.core.$ZodType<
    Record<ReadingKind, number | null>
  >,
}

/** What somebody can do in one family of shots, with the run of each skill. */
export const familySkill = z.strictObject({
  ...SHARED,
  meanCallScore: z.number().nullable(),
  forTrainer: z
    .strictObject({ confusion: confusion.nullable(), firstGood: z.int().positive().nullable() })
    .nullable(),
  skills: z.record(z.enum(SKILLS), skillStanding),
  runs: z.record(z.enum(SKILLS), z.array(skillEntry)),
}) satisfies z.core.$ZodType<TraineeSkill & { family: SkillFamily }>
export type FamilySkill = z.infer<typeof familySkill>

const briefStanding = skillStanding.pick({
  shots: true,
  rung: true,
  on: true,
  bias: true,
  shift: true,
})

/** The same in brief, as a list of people shows it. */
export const briefSkill = z.strictObject({
  ...SHARED,
  skills: z.record(z.enum(SKILLS), briefStanding),
})
export type BriefSkill = z.infer<typeof briefSkill>

/** As of when it was worked out (null: not yet), and whether something has come since. */
const ASKED_OF = { personId: id, asOf: instant.nullable(), isBehind: z.boolean() }

/** How far somebody’s tasting notes agree with one trainer’s; differences are in points of 0–10. */
const agreementWith = z.strictObject({
  trainerId: id,
  cups: z.int().positive(),
  meanDifference: z.number().nullable(),
  /** The axis on which they differ to one side the most, above 0 where the learner notes more. */
  leans: z.strictObject({ axis: z.enum(TASTE_AXES), by: z.number() }).nullable(),
  /** On under, balanced and over, beyond chance, with its 95 % interval. */
  kappa: z.strictObject({ is: z.number(), low: z.number(), high: z.number() }).nullable(),
})
/** The same, parsed. */
export type AgreementWith = z.infer<typeof agreementWith>

const dialInsDone = z.strictObject({
  dialIns: z.int().nonnegative(),
  compared: z
    .strictObject({
      of: z.int().positive(),
      shots: z.number(),
      grams: z.number(),
      adviserShots: z.number(),
      adviserGrams: z.number(),
    })
    .nullable(),
}) satisfies z.core.$ZodType<DialInsDone>

/** What of a person lies beside their skill, for those who teach: from the newest shots that count. */
export const besideSkill = z.strictObject({
  agreement: z.array(agreementWith),
  spent: z.strictObject({ shots: z.int(), grams: z.number(), minutes: z.int() }),
  dialIn: dialInsDone,
  /** How they rated their newest shots themselves, 0–10, oldest first. */
  ownRatings: z.array(z.number()),
})
export type BesideSkill = z.infer<typeof besideSkill>

/** A sentence that a trainer gave somebody to take home. */
export const takeHome = z.strictObject({
  takeHomeId: id,
  text: z.string(),
  givenBy: id,
  givenAt: instant,
})
export type TakeHome = z.infer<typeof takeHome>
/** The same as it is given. */
export const takeHomeInput = z.strictObject({ text: line(BOUNDS.reasonLength) })
export type TakeHomeInput = z.infer<typeof takeHomeInput>

/** What one person can do: each family of shots, the one pulled last first. */
export const personSkill = z.strictObject({
  ...ASKED_OF,
  families: z.array(familySkill),
  /** To trainees none of it is told. */
  beside: besideSkill.nullable().default(null),
  /** The last they were given; what was erased is no more. */
  takeHome: takeHome.nullable().default(null),
})
export type PersonSkill = z.infer<typeof personSkill>

const barDrift = z.strictObject({
  grinderId: id,
  recipeRevisionId: id,
  direction: z.enum(['fast', 'slow']),
  since: instant,
  shots: z.int().positive(),
  people: z.int().positive(),
}) satisfies z.core.$ZodType<BarDrift>

/** What everyone can do of whom the asker may know. */
export const skillList = z.strictObject({
  /** What runs off for everybody at the moment; to those who teach. */
  bar: z.array(barDrift),
  people: z.array(z.strictObject({ ...ASKED_OF, families: z.array(briefSkill) })),
})
export type SkillList = z.infer<typeof skillList>

/** What of a person's figures a list shows. */
export function briefOf({
  meanCallScore: _mean,
  forTrainer: _ours,
  skills,
  runs: _runs,
  ...shared
}: FamilySkill): BriefSkill {
  return {
    ...shared,
    skills: eachSkill((skill) => {
      const { shots, rung, on, bias, shift } = skills[skill]
      return { shots, rung, on, bias, shift }
    }),
  }
}

/** Without forecast and percentages, which are the trainer's view. */
export function withoutForecast(families: readonly FamilySkill[]): FamilySkill[] {
  return families.map((each) => ({
    ...briefWithoutForecast(each),
    forTrainer: null,
    skills: eachSkill((skill) => ({ ...each.skills[skill], on: null, moreToSteady: null })),
  }))
}

/** The same of what a list shows. */
export function briefWithoutForecast<F extends BriefSkill>(family: F): F {
  return {
    ...family,
    passToday: null,
    isAssessmentWorthIt: false,
    skills: eachSkill((skill) => ({ ...family.skills[skill], on: null })),
  }
}
