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
import { together } from '../database/together.ts'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { driftsNow } from './barDrift.ts'
import { type KeptSkill, findSkill, listBriefs } from './queries.ts'
import { lastTakeHome } from './takeHomeQueries.ts'

/** What everyone can do of whom the asker may know. */
export async function readTeam({ actor, transaction, now }: Errand): Promise<SkillList> {
  const isForAll = reachOf(actor.part, 'see-skill') === 'all'
  const [all, bar] = await together([
    listBriefs(transaction),
    isForAll ? driftsNow(transaction, actor.academyId, now) : Promise.resolve([]),
  ])
  const known = all.filter(({ personId }) => isForAll || personId === actor.personId)
  return {
    bar,
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
  const [found, takeHome] = await together([
    findSkill(transaction, personId),
    lastTakeHome(transaction, personId),
  ])
  if (found === null) throw notThere()
  const isTeaching = teaches(actor.part)
  return {
    ...askedOf(found),
    families: isTeaching ? found.families : withoutForecast(found.families),
    beside: isTeaching ? found.beside : null,
    takeHome,
  }
}

function askedOf({ personId, workedOutAt, isBehind }: KeptSkill<FamilySkill | BriefSkill>) {
  return { personId, asOf: workedOutAt?.toISOString() ?? null, isBehind }
}
