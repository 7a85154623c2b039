import type { Standing } from '../reading/types.ts'

/** The five readings of a shot, in the order in which they are judged. */
export const READING_KINDS = ['dose', 'tamp', 'yield', 'time', 'taste'] as const
export type ReadingKind = (typeof READING_KINDS)[number]

/**
 * What a person is assessed in: preparing, the five readings, saying what a shot was, and pulling alike (the spread of time, dose
 * and yield at one locked setting, which is whoever pulls, whoever set the grind).
 */
export const SKILLS = ['prep', ...READING_KINDS, 'call', 'alike'] as const
export type Skill = (typeof SKILLS)[number]

/** Something for each skill. */
export function eachSkill<T>(make: (skill: Skill) => T): Record<Skill, T> {
  // Every skill is gone through.
  return Object.fromEntries(SKILLS.map((skill) => [skill, make(skill)])) as Record<Skill, T>
}

/** Whose account a reading goes to. */
export type Account = 'trainee' | 'bar' | 'nobody'

/** One reading of one shot that counts for a trainee; `deviation` is null for what is only seen, not measured. */
export interface JudgedReading {
  standing: Standing
  deviation: number | null
}

/** How one shot stood in one skill. */
export interface SkillEntry {
  shotId: string
  pulledAt: string
  standing: Standing
  /** From the target, in tolerances, so that recipes can be held together; null for what is only seen. */
  deviation: number | null
  isHelped: boolean
}

/** What decides the rungs of the ladder; a programme may set its own, and they are kept with each sign-off. */
export interface SkillProgramme {
  /** Weights halve every so many shots. */
  halvingShots: number
  /** Judged shots, those of dose and yield without help, before anything is called steady. */
  leastShots: number
  /** Judged shots, those of dose and yield without help, before it is called ready. */
  readyLeastShots: number
  /** Lower end of the 90 % interval of P(on) for *steady* and for *ready*. */
  steadyFrom: number
  readyFrom: number
  /** Mean call score for *ready*, where calls were judged. */
  callScoreFrom: number
  /** Days that a sign-off lasts. */
  signOffDays: number
  /** The assessment set: shots in a row, and how many of them each reading must be on in. */
  setShots: number
  setOnShots: number
  /** Probability of passing the set today from which an assessment is worth it. */
  assessFrom: number
}

/** Calibrated by simulation: `npm run evaluate` prints how often they are wrong. */
export const DEFAULT_PROGRAMME: SkillProgramme = {
  halvingShots: 12,
  leastShots: 8,
  readyLeastShots: 12,
  steadyFrom: 0.5,
  readyFrom: 0.72,
  callScoreFrom: 0.7,
  signOffDays: 183,
  setShots: 5,
  setOnShots: 4,
  assessFrom: 0.8,
}

/** The ladder, from the first shots to a signature that has run out. */
export const RUNGS = ['new', 'learning', 'steady', 'ready', 'signed-off', 'due'] as const
export type Rung = (typeof RUNGS)[number]
