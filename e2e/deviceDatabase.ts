import type { Page } from '@playwright/test'

/** What a device keeps, store by store, with the keys that stand beside the values. */
export type KeptDevice = Record<string, { key: unknown; value: unknown }[]>

export async function readDevice(page: Page): Promise<KeptDevice> {
  return page.evaluate(async () => {
    const done = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result)
        request.onerror = () => reject(request.error ?? new Error('unreadable'))
      })
    const database = await done(indexedDB.open('calm-apron'))
    const kept: Record<string, { key: unknown; value: unknown }[]> = {}
    for (const name of database.objectStoreNames) {
      const store = database.transaction(name).objectStore(name)
      const [keys, values] = await Promise.all([done(store.getAllKeys()), done(store.getAll())])
      kept[name] = keys.map((key, at) => ({ key, value: values[at] as unknown }))
    }
    database.close()
    return kept
  })
}
