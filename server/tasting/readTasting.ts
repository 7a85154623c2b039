import { type Tasting, askedBefore } from '@calm-apron/contract'
import type { Errand } from '../http/serve.ts'
import { isSealed, isWithheld } from '../shots/withheld.ts'
import { watchesOf } from '../training/watchQueries.ts'
import { isOpenTo, sidesOf } from './opening.ts'
import { isTasted, listCalls, listPhotos, listRulings, listSlips } from './queries.ts'
import { listRepurposings } from './repurposeQueries.ts'
import { ownerOf } from './tastingAccess.ts'

/**
 * Calls and slips of a shot. What another person said is withheld until both sides have tasted or been skipped, so that
 * neither leans on the other.
 * @throws {Refusal} `not-found`
 */
export async function readTasting(errand: Errand, shotId: string): Promise<Tasting> {
  const owner = await ownerOf(errand, 'see-tasting', shotId)
  const pulledBy = owner.personId
  const { actor, transaction } = errand
  const slips = await listSlips(transaction, shotId)
  const calls = await listCalls(transaction, shotId)
  const sides = sidesOf(slips)
  const isReadingWithheld = await isWithheld(errand, shotId)
  const isNowOpen = isOpenTo(owner, sides, isReadingWithheld) && !(await isSealed(transaction, shotId))
  const isReadable = isNowOpen && !isReadingWithheld
  const watches = (await watchesOf(transaction, shotId)).filter(({ watchedBy }) => watchedBy !== pulledBy)
  return {
    sides,
    isOpen: isNowOpen,
    asks: { ...askedBefore(owner), isTasted: await isTasted(transaction, shotId, slips) },
    called: {
      first: calls.some(({ stage, personId }) => stage === 'first' && personId === pulledBy),
      final: calls.some(
        ({ stage, personId, verdict }) => stage === 'final' && (personId === pulledBy || verdict === null),
      ),
    },
    slips: slips.filter(({ filledBy }) => isNowOpen || filledBy === actor.personId),
    calls: calls.filter(({ personId }) => isNowOpen || personId === actor.personId),
    // A ruling gives the reading away: whoever is still asked for a call does not see it.
    rulings: isReadable ? await listRulings(transaction, shotId) : [],
    photos: await listPhotos(transaction, shotId),
    repurposings: isReadingWithheld ? [] : await listRepurposings(transaction, shotId),
    watches: watches.filter(({ watchedBy }) => isReadable || watchedBy === actor.personId),
  }
}
