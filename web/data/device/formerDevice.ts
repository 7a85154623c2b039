import type { IDBPDatabase, IDBPTransaction } from 'idb'
import type { KeptAnswer } from './deviceDatabase.ts'

/** A device of any release, whose stores are not today's. */
type AnyDatabase = IDBPDatabase
type Upgrade = IDBPTransaction<unknown, string[], 'versionchange'>

/** Where releases before one store of answers kept them, and what each is called as an answer. */
const FORMER: Readonly<Record<string, (key: string, value: unknown) => [string[], unknown] | null>> = {
  remembered: (viewerId, today) => [[viewerId, '["today"]'], today],
  trainings: (viewerId, trainings) => [[viewerId, '["trainings"]'], { trainings }],
  grindHistory: (key, seen) => {
    const [viewerId = '', ...asked] = key.split('|')
    return [[viewerId, JSON.stringify(['grind-history', ...asked])], { seen }]
  },
}

/**
 * Brings what a device of an earlier release had been told into the one store of answers: an offline tablet wakes with
 * all that it knew. What can't be read as today's answer is left out when it is asked for.
 */
export async function takeFormerAnswers(opened: unknown, upgrade: unknown): Promise<void> {
  // Typed by today's stores, and what is taken over lies in yesterday's.
  const [database, transaction] = [opened as AnyDatabase, upgrade as Upgrade]
  const answers = database.createObjectStore('answers')
  for (const [name, named] of Object.entries(FORMER)) {
    if (!database.objectStoreNames.contains(name)) continue
    const former = transaction.objectStore(name)
    for (let cursor = await former.openCursor(); cursor !== null; cursor = await cursor.continue()) {
      const answer = typeof cursor.key === 'string' ? named(cursor.key, cursor.value) : null
      const kept: KeptAnswer | null = answer && { answer: answer[1], askedAtMs: 0 }
      if (answer && kept) await answers.put(kept, answer[0])
    }
    database.deleteObjectStore(name)
  }
  const shots = transaction.objectStore('shots')
  for (let cursor = await shots.openCursor(); cursor !== null; cursor = await cursor.continue())
    await cursor.update({ askedAtMs: 0, ...(cursor.value as object) })
}
