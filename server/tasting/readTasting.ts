import type { Tasting } from '@calm-apron/contract'
import type { Errand } from '../http/serve.ts'
import { isWithheld } from '../shots/withheld.ts'
import { isOpen, sidesOf } from './opening.ts'
import { listCalls, listPhotos, listRulings, listSlips } from './queries.ts'
import { ownerOf } from './tastingAccess.ts'

/**
 * Calls and slips of a shot. What another person said is withheld until both sides have tasted or been skipped, so that
 * neither leans on the other.
 * @throws {Refusal} `not-found`
 */
export async function readTasting(errand: Errand, shotId: string): Promise<Tasting> {
  const { personId: pulledBy } = await ownerOf(errand, 'see-tasting', shotId)
  const { actor, transaction } = errand
  const slips = await listSlips(transaction, shotId)
  const calls = await listCalls(transaction, shotId)
  const sides = sidesOf(slips)
  const isNowOpen = isOpen(sides)
  return {
    sides,
    isOpen: isNowOpen,
    called: {
      first: calls.some(({ stage, personId }) => stage === 'first' && personId === pulledBy),
      final: calls.some(
        ({ stage, personId, verdict }) => stage === 'final' && (personId === pulledBy || verdict === null),
      ),
    },
    slips: slips.filter(({ filledBy }) => isNowOpen || filledBy === actor.personId),
    calls: calls.filter(({ personId }) => isNowOpen || personId === actor.personId),
    // A ruling gives the reading away: whoever is still asked for a call does not see it.
    rulings: isNowOpen && !(await isWithheld(errand, shotId)) ? await listRulings(transaction, shotId) : [],
    photos: await listPhotos(transaction, shotId),
  }
}
