import type { SkillStory } from './assessRun.ts'
import type { TraineeSkill } from './assessSkill.ts'
import type { SaidShift } from './shiftToSay.ts'
import { SKILLS, type Skill } from './types.ts'

/** What kinds of things are said of a person, what is most pressing first: by this the team is put in order. */
export const SAYINGS = [
  'safety-missed',
  'worse',
  'ready',
  'due',
  'idle',
  'practise',
  'few',
  'going-well',
  'nothing-yet',
] as const
export type SayingKind = (typeof SAYINGS)[number]

/** The one thing that is said of a person. Amounts are in tolerances. */
export type SkillSaying =
  | { kind: 'safety-missed'; times: number }
  /** The newest shots lie elsewhere than those before. */
  | { kind: 'worse'; skill: Skill; shift: SaidShift }
  | { kind: 'ready' }
  | { kind: 'due' }
  | { kind: 'idle'; days: number }
  | { kind: 'practise'; skill: Skill; story: SkillStory; bias: number | null }
  | { kind: 'few'; shots: number }
  | { kind: 'going-well' }
  | { kind: 'nothing-yet' }

/** What the one thing is chosen by. */
export type SaidOf = Pick<
  TraineeSkill,
  'shots' | 'lastAt' | 'safetyMissed' | 'rung' | 'practiseNext' | 'isAssessmentWorthIt'
> & {
  skills: Record<Skill, Pick<TraineeSkill['skills'][Skill], 'shift' | 'bias' | 'on'>>
}

/** Whoever did not pull for so long is idle. */
const IDLE_DAYS = 14
const MS_PER_DAY = 86_400_000

/**
 * The one thing to say of a person: what is most pressing.
 * @param nowMs the present, by which they are idle
 */
export function skillSaying(of: SaidOf, nowMs: number): SkillSaying {
  if (of.lastAt === null) return { kind: 'nothing-yet' }
  if (of.safetyMissed > 0) return { kind: 'safety-missed', times: of.safetyMissed }
  for (const skill of SKILLS) {
    const { shift } = of.skills[skill]
    if (shift !== null) return { kind: 'worse', skill, shift }
  }
  if (of.rung === 'ready' && of.isAssessmentWorthIt) return { kind: 'ready' }
  if (of.rung === 'due') return { kind: 'due' }
  const days = Math.floor((nowMs - Date.parse(of.lastAt)) / MS_PER_DAY)
  if (days >= IDLE_DAYS) return { kind: 'idle', days }
  const { practiseNext } = of
  if (practiseNext !== null)
    return { kind: 'practise', ...practiseNext, bias: of.skills[practiseNext.skill].bias }
  return SKILLS.some((skill) => of.skills[skill].on !== null)
    ? { kind: 'going-well' }
    : { kind: 'few', shots: of.shots }
}

/** A person among others: who is said what. */
export interface Said {
  saying: SkillSaying
  /** Probability of passing a set today; null where too little is known. */
  passToday: number | null
}

/** The order of the team: by what is said, then whoever is least likely to pass, whoever little is known of last. */
export function bySaying(one: Said, other: Said): number {
  const rank = ({ saying }: Said) => SAYINGS.indexOf(saying.kind)
  return rank(one) - rank(other) || (one.passToday ?? 2) - (other.passToday ?? 2)
}
