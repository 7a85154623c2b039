import type { AsItStood } from '../reading/recorded.ts'
import type { Readings } from '../reading/types.ts'
import { isDoseSeen } from '../shot/doseSeen.ts'

export const MEASURED_BY = ['mass', 'volume', 'eye'] as const
/** How a shot's dose and cup are measured. */
export type MeasuredBy = (typeof MEASURED_BY)[number]

/** Shots that are alike enough for one account: measured in one way, in one basket. A person may be at home in one and new in another. */
export interface SkillFamily {
  by: MeasuredBy
  basketId: string | null
}

/** The family of a shot. */
export function familyOf(
  { of: { facts, recipe } }: Readings,
  { machine }: Pick<AsItStood, 'machine'>,
): SkillFamily {
  const byEye = isDoseSeen(facts.dose) ? 'eye' : 'mass'
  return { by: recipe.school?.volume ? 'volume' : byEye, basketId: machine?.basketId ?? null }
}

/** Whether two shots, or accounts, are of one family. */
export function isSameFamily(one: SkillFamily, other: SkillFamily): boolean {
  return one.by === other.by && one.basketId === other.basketId
}
