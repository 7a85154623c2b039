import type { IDBPObjectStore, StoreNames } from 'idb'
import { type DeviceSchema, deviceDatabase } from './deviceDatabase.ts'

type Stores = StoreNames<DeviceSchema>[]
type StoreOf<Of extends Stores> = <Name extends Of[number]>(
  name: Name,
) => IDBPObjectStore<DeviceSchema, Of, Name, 'readwrite'>

/**
 * Writes in one step, all or nothing, and hands it over at once. Left to end by itself a transaction waits until this page
 * has heard of its last request: one of a page that is reloaded, or put to sleep, before that is dropped.
 *
 * @param write makes all its requests before it gives way, and returns them
 * @param durability `strict`: down to the disk before it counts as written, for the power may go in the next moment
 * @throws DOMException where there is no room, or something can't be kept
 */
export async function writeOnDevice<Of extends Stores>(
  stores: Of,
  write: (store: StoreOf<Of>) => Promise<unknown>[],
  durability: IDBTransactionDurability = 'default',
): Promise<void> {
  const transaction = (await deviceDatabase()).transaction(stores, 'readwrite', { durability })
  const requests = write((name) => transaction.objectStore(name))
  transaction.commit()
  await Promise.all([...requests, transaction.done])
}
