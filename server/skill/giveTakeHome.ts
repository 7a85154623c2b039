import type { TakeHome, TakeHomeInput } from '@calm-apron/contract'
import { keepText, leaveTrace } from '../audit/trace.ts'
import { notThere } from '../doors/actor.ts'
import { type Kept, once } from '../http/once.ts'
import type { Errand } from '../http/serve.ts'
import { tellLive } from '../live/hub.ts'
import { roleOf } from '../people/queries.ts'
import { findTakeHome, insertTakeHome, toTakeHome } from './takeHomeQueries.ts'

/**
 * Gives somebody who learns a sentence to take home. Repeated, it is the one given before.
 * @throws {Refusal} `not-found` where nobody who learns is there by that id; `id-taken`
 */
export async function giveTakeHome(
  errand: Errand,
  { personId, takeHomeId }: { personId: string; takeHomeId: string },
  input: TakeHomeInput,
): Promise<Kept<TakeHome>> {
  const { actor, transaction, now } = errand
  const { academyId, personId: givenBy } = actor
  if ((await roleOf(transaction, personId)) !== 'trainee') throw notThere()
  return once(errand, {
    id: takeHomeId,
    find: () => findTakeHome(transaction, takeHomeId),
    digestOf: ({ row }) => row.bodyDigest,
    isOfSame: ({ row }) => row.personId === personId && row.givenBy === givenBy,
    body: input,
    tell: toTakeHome,
    make: async (bodyDigest) => {
      const { text } = input
      const textId = await keepText(transaction, {
        academyId,
        aboutId: personId,
        writtenBy: givenBy,
        content: text,
      })
      const row = { academyId, takeHomeId, personId, givenBy, givenAt: now, textId, bodyDigest }
      await insertTakeHome(transaction, row)
      await leaveTrace(
        transaction,
        { academyId, kind: 'take-home-given', actorId: givenBy, personId, subjectId: takeHomeId },
        now,
      )
      await tellLive(transaction, academyId, { kind: 'skill', personId }, personId)
      return toTakeHome({ row, text })
    },
    taken: 'Something else was given under this id before; it stays as it is.',
  })
}
