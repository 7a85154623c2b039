import type { PreparedRecord, ShotSummary } from '@calm-apron/contract'
import type { Errand } from '../http/serve.ts'
import { findPrepared } from './queries.ts'

/** The coffee of each bag that these shots were pulled from. */
export async function coffeesOfBags(
  { transaction }: Pick<Errand, 'transaction'>,
  shots: readonly Pick<ShotSummary, 'bagId'>[],
): Promise<Map<string, PreparedRecord>> {
  const bagIds = [...new Set(shots.flatMap(({ bagId }) => bagId ?? []))]
  const bags = await findPrepared(transaction, bagIds)
  const coffees = await findPrepared(
    transaction,
    bags.flatMap(({ parentId }) => parentId ?? []),
  )
  const byId = new Map(coffees.map((coffee) => [coffee.preparedId, coffee]))
  return new Map(
    bags.flatMap(({ preparedId, parentId }): [string, PreparedRecord][] => {
      const coffee = byId.get(parentId ?? '')
      return coffee === undefined ? [] : [[preparedId, coffee]]
    }),
  )
}
