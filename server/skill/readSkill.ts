import {
  type BriefSkill,
  type FamilySkill,
  type PersonSkill,
  type SkillList,
  reachOf,
  teaches,
  withoutForecast,
} from '@calm-apron/contract'
import { notThere, refuseUnlessOwn } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { driftsNow } from './barDrift.ts'
import { type KeptSkill, findSkill, listBriefs } from './queries.ts'

/** What everyone can do of whom the asker may know. */
export async function readTeam({ actor, transaction, now }: Errand): Promise<SkillList> {
  const all = await listBriefs(transaction)
  const isForAll = reachOf(actor.part, 'see-skill') === 'all'
  const known = all.filter(({ personId }) => isForAll || personId === actor.personId)
  return {
    bar: isForAll ? await driftsNow(transaction, actor.academyId, now) : [],
    people: known.map((each) => told(each, teaches(actor.part))),
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
  return told(found, teaches(actor.part))
}

function told<F extends FamilySkill | BriefSkill>(
  { personId, workedOutAt, isBehind, families }: KeptSkill<F>,
  isTeaching: boolean,
) {
  return {
    personId,
    asOf: workedOutAt?.toISOString() ?? null,
    isBehind,
    families: isTeaching ? families : withoutForecast(families),
  }
}
