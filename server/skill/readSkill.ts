import {
  type BriefSkill,
  type FamilySkill,
  type PersonSkill,
  type SkillList,
  briefWithoutForecast,
  reachOf,
  teaches,
  withoutForecast,
} from '@calm-apron/contract'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { driftsNow } from './barDrift.ts'
import { type KeptSkill, findSkill, listBriefs } from './queries.ts'
import { lastTakeHome } from './takeHomeQueries.ts'

/** What everyone can do of whom the asker may know. */
export async function readTeam({ actor, transaction, now }: Errand): Promise<SkillList> {
  const all = await listBriefs(transaction)
  const isForAll = reachOf(actor.part, 'see-skill') === 'all'
  const known = all.filter(({ personId }) => isForAll || personId === actor.personId)
  return {
    bar: isForAll ? await driftsNow(transaction, actor.academyId, now) : [],
    people: known.map((each) => ({
      ...askedOf(each),
      families: teaches(actor.part) ? each.families : each.families.map(briefWithoutForecast),
    })),
  }
}

/**
 * What one person can do.
 * @throws {Refusal} `not-found`
 */
export async function readPerson({ actor, transaction }: Errand, personId: string): Promise<PersonSkill> {
  refuseUnlessOwn(actor, 'see-skill', personId === actor.personId)
  const found = await findSkill(transaction, personId)
  if (found === null) throw notThere()
  const isTeaching = teaches(actor.part)
  return {
    ...askedOf(found),
    families: isTeaching ? found.families : withoutForecast(found.families),
    beside: isTeaching ? found.beside : null,
    takeHome: await lastTakeHome(transaction, personId),
  }
}

function askedOf({ personId, workedOutAt, isBehind }: KeptSkill<FamilySkill | BriefSkill>) {
  return { personId, asOf: workedOutAt?.toISOString() ?? null, isBehind }
}
