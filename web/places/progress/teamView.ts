import type { BriefSkill, SkillList } from '@calm-apron/contract'
import { type MeasuredBy, type SkillSaying, bySaying, skillSaying } from '@calm-apron/core'

/** In which order the team stands: what is most pressing first, by name, whoever is least likely to pass, whoever was away longest. */
export const TEAM_ORDERS = ['pressing', 'name', 'pass', 'away'] as const
export type TeamOrder = (typeof TEAM_ORDERS)[number]

/** Of whom, and in which order; '' and null are no condition. */
export interface TeamView {
  order: TeamOrder
  /** How they pulled. */
  by: MeasuredBy | ''
  /** Only who pulled within so many days. */
  withinDays: number | null
  /** Only these, such as those of one training. */
  personIds: readonly string[] | null
}

/** One of the team: the family of shots that is looked at, and the one thing that is said. */
export interface TeamMember {
  personId: string
  name: string
  family: BriefSkill | null
  saying: SkillSaying
  passToday: number | null
  isWorkedOut: boolean
}

const MS_PER_DAY = 86_400_000
type Person = SkillList['people'][number]

/** The team as it is looked at. @param nowMs the present, by which somebody is idle */
export function teamViewed(
  people: readonly Person[],
  view: TeamView,
  nameOf: (personId: string) => string,
  nowMs: number,
): TeamMember[] {
  return people
    .flatMap(({ personId, families, asOf, isBehind }): TeamMember[] => {
      const family = families.find((each) => view.by === '' || each.family.by === view.by) ?? null
      if (view.by !== '' && family === null) return []
      if (view.personIds !== null && !view.personIds.includes(personId)) return []
      const lastMs = family?.lastAt == null ? -Infinity : Date.parse(family.lastAt)
      if (view.withinDays !== null && nowMs - lastMs > view.withinDays * MS_PER_DAY) return []
      const saying = family === null ? ({ kind: 'nothing-yet' } as const) : skillSaying(family, nowMs)
      const passToday = family?.passToday ?? null
      return [
        {
          personId,
          name: nameOf(personId),
          family,
          saying,
          passToday,
          isWorkedOut: asOf !== null || !isBehind,
        },
      ]
    })
    .sort((one, other) => COMPARED[view.order](one, other) || one.name.localeCompare(other.name))
}

const lastOf = ({ family }: TeamMember) => family?.lastAt ?? ''
const COMPARED: Readonly<Record<TeamOrder, (one: TeamMember, other: TeamMember) => number>> = {
  pressing: bySaying,
  name: () => 0,
  pass: (one, other) => (one.passToday ?? 2) - (other.passToday ?? 2),
  away: (one, other) => lastOf(one).localeCompare(lastOf(other)),
}
