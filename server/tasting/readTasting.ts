import { type Tasting, askedBefore } from '@calm-apron/contract'
import { together } from '../database/together.ts'
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
  const { actor, transaction } = errand
  const owner = await ownerOf(errand, 'see-tasting', shotId)
  const pulledBy = owner.personId
  const [slips, calls, isReadingWithheld, isInSet, watched, rulings, photos, repurposings] = await together([
    listSlips(transaction, shotId),
    listCalls(transaction, shotId),
    isWithheld(errand, shotId),
    isSealed(transaction, shotId),
    watchesOf(transaction, shotId),
    listRulings(transaction, shotId),
    listPhotos(transaction, shotId),
    listRepurposings(transaction, shotId),
  ])
  const sides = sidesOf(slips)
  const isNowOpen = isOpenTo(owner, sides, isReadingWithheld) && !isInSet
  const isReadable = isNowOpen && !isReadingWithheld
  const watches = watched.filter(({ watchedBy }) => watchedBy !== pulledBy)
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
    rulings: isReadable ? rulings : [],
    photos,
    repurposings: isReadingWithheld ? [] : repurposings,
    watches: watches.filter(({ watchedBy }) => isReadable || watchedBy === actor.personId),
  }
}
