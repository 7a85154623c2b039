import { type ShotDetail, type ShotList, type ShotListQuery, reachOf, teaches } from '@calm-apron/contract'
import { RULES_VERSION } from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { together } from '../database/together.ts'
import { notThere, ownsShot, refuseUnlessOwn } from '../doors/actor.ts'
import { readCursor, writeCursor } from '../http/cursor.ts'
import type { Errand } from '../http/serve.ts'
import { Refusal } from '../refusal.ts'
import { findShot, listShots } from './queries.ts'
import { isSomethingBehind } from './said/queries.ts'
import { isWithheld } from './withheld.ts'

/** @throws {Refusal} `not-found`; `call-first` to a trainee whose own call is still asked for */
export async function readShotDetail(errand: Errand, shotId: string): Promise<ShotDetail> {
  const { actor, transaction } = errand
  const [found, isClosed] = await together([shotOrRefuse(transaction, shotId), isWithheld(errand, shotId)])
  refuseUnlessOwn(actor, 'see-shots', ownsShot(actor, found))
  if (isClosed) throw new Refusal('call-first', 'The reading opens once the call is made.')
  return found
}

/** One page. A trainee's shots whose call is still asked for are not in it. Who may see only their own shots gets only those, and asking for another's finds nothing there. */
export async function listShotPage({ actor, transaction }: Errand, asked: ShotListQuery): Promise<ShotList> {
  if (asked.personId !== undefined) refuseUnlessOwn(actor, 'see-shots', asked.personId === actor.personId)
  const isForAll = reachOf(actor.part, 'see-shots') === 'all'
  const query = isForAll ? asked : { ...asked, personId: actor.personId }
  const after = query.cursor === undefined ? null : readCursor(query.cursor)
  const isBySaid = query.reading !== undefined || query.cause !== undefined
  const [found, isBehind] = await together([
    listShots(transaction, actor.academyId, query, after, !teaches(actor.part)),
    isBySaid ? isSomethingBehind(transaction, RULES_VERSION) : Promise.resolve(false),
  ])
  const shots = found.shots.slice(0, query.limit)
  const last = shots.at(-1)
  return {
    shots,
    recipes: [...new Set(shots.map(({ recipeRevisionId }) => recipeRevisionId))].flatMap(
      (each) => found.recipes.get(each) ?? [],
    ),
    isBehind,
    nextCursor:
      found.shots.length > query.limit && last !== undefined
        ? writeCursor({ at: last.pulledAt, id: last.shotId })
        : null,
  }
}

/** @throws {Refusal} `not-found` */
export async function shotOrRefuse(transaction: AcademyTransaction, shotId: string): Promise<ShotDetail> {
  const found = await findShot(transaction, shotId)
  if (found === null) throw notThere()
  return found
}
