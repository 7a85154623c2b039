import {
  type PreparedKind,
  PREPARED_CONTENT,
  type PreparedContent,
  type ShotInput,
  standsNow,
} from '@calm-apron/contract'
import type { AsItStood } from '@calm-apron/core'
import { findAcademy } from '../academies/queries.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { isTeaching } from '../people/queries.ts'
import { type ThingThen, thingsAt } from '../prepare/queries.ts'

type Named = Pick<ShotInput, 'personId' | 'bagId' | 'machineId' | 'groupNo' | 'grinderId'>

/** What a shot was pulled with, as it stood when it was pulled. */
export async function stoodThen(
  transaction: AcademyTransaction,
  { personId, bagId, machineId, groupNo, grinderId }: Named,
  pulledAt: Date,
): Promise<AsItStood> {
  const named = await thingsAt(transaction, present([bagId, machineId, grinderId]), pulledAt)
  const bag = named.get(bagId ?? '')
  const machine = contentAs('machine', named.get(machineId ?? ''))
  const basketId = (groupNo === null ? null : machine?.groups[groupNo]?.basketId) ?? null
  const coffeeId = bag?.parentId ?? null
  const behind = await thingsAt(transaction, present([coffeeId, basketId]), pulledAt)
  const { timeZone } = await findAcademy(transaction)
  return standsNow(
    {
      bag: contentAs('bag', bag),
      coffee: contentAs('coffee', behind.get(coffeeId ?? '')),
      machine,
      basket: contentAs('basket', behind.get(basketId ?? '')),
      grinder: contentAs('grinder', named.get(grinderId ?? '')),
    },
    {
      pulledAt: pulledAt.toISOString(),
      timeZone,
      isPullerTeaching: await isTeaching(transaction, personId),
    },
  )
}

const present = (ids: readonly (string | null)[]) => ids.filter((each) => each !== null)

function contentAs<K extends PreparedKind>(kind: K, thing: ThingThen | undefined): PreparedContent<K> | null {
  if (thing?.kind !== kind) return null
  // Parsed by the very schema its type is inferred from; the generic can't carry that.
  return PREPARED_CONTENT[kind].parse(thing.content) as PreparedContent<K>
}
