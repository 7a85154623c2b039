import type { Problem } from '@calm-apron/contract'
import { type UnsentWrite, deviceDatabase, idOf } from './deviceDatabase.ts'

/** What was sent is kept so long, to be laid over what was told before; after it everything was told anew. */
const SENT_KEPT_MS = 86_400_000

/** Keeps something on the device, and tells whether there was room. */
export type Keeping = (keep: () => Promise<unknown>) => Promise<boolean>

/** What became of a write that was tried: it was sent, or the server refused it. */
export type Settled = { sentAtMs: number } | { refused: Problem }

/**
 * Where the writes of this device lie: on it, or in this page alone where it has no room. Nothing is taken off before
 * it was sent or somebody said so, whoever looks at it meanwhile.
 */
export function writeShelf(keeping: Keeping) {
  /** Oldest first; after all that is on the device. */
  let inPage: UnsentWrite[] = []
  /** What became of those on a device that had no room to note it. */
  const settledHere = new Map<number, Settled>()

  async function all(): Promise<UnsentWrite[]> {
    const kept = await (await deviceDatabase()).getAll('outbox')
    return [...kept.map((write) => ({ ...write, ...settledHere.get(write.order ?? -1) })), ...inPage]
  }

  /** Lays writes down together; `recorded`: the shot whose draft and series they take the place of. */
  async function lay(writes: readonly UnsentWrite[], recorded: string | null): Promise<void> {
    if (inPage.length === 0 && (await keeping(() => keepTogether(writes, recorded)))) return
    inPage = [...inPage, ...writes]
  }

  /** Brings to the device what found no room before, oldest first. */
  async function bringIn(): Promise<void> {
    for (let [write] = inPage; write !== undefined; [write] = inPage) {
      const bring = write
      if (!(await keeping(() => keepTogether([bring], bring.kind === 'shot' ? bring.shotId : null)))) return
      inPage = inPage.filter((each) => each !== bring)
    }
  }

  /** Notes what became of a write. */
  async function settle(write: UnsentWrite, settled: Settled): Promise<void> {
    const now = { ...write, ...settled }
    const { order } = write
    if (order === undefined) {
      inPage = inPage.map((each) => (each === write ? now : each))
      if ('sentAtMs' in settled && write.kind === 'shot') await dropRecorded(write.shotId)
      return
    }
    settledHere.set(order, settled)
    // A picture is heavy, and of no list.
    if ('sentAtMs' in settled && write.kind === 'photo') await remove(write)
    else if (await keeping(async () => (await deviceDatabase()).put('outbox', now))) settledHere.delete(order)
  }

  async function remove(write: UnsentWrite): Promise<void> {
    inPage = inPage.filter((each) => idOf(each) !== idOf(write))
    if (write.order !== undefined) await (await deviceDatabase()).delete('outbox', write.order)
  }

  /** Forgets what was sent long ago. */
  async function dropSent(nowMs: number): Promise<void> {
    for (const write of await all())
      if (write.sentAtMs !== undefined && write.sentAtMs < nowMs - SENT_KEPT_MS) await remove(write)
  }

  return { all, lay, bringIn, settle, remove, dropSent }
}

/** In one step, and down to the disk: the power may go in the next moment. */
async function keepTogether(writes: readonly UnsentWrite[], recorded: string | null): Promise<void> {
  const transaction = (await deviceDatabase()).transaction(['outbox', 'drafts', 'series'], 'readwrite', {
    durability: 'strict',
  })
  await Promise.all([
    ...writes.map((write) => transaction.objectStore('outbox').add(write)),
    ...(recorded === null
      ? []
      : [
          transaction.objectStore('drafts').delete(recorded),
          transaction.objectStore('series').delete(recorded),
        ]),
    transaction.done,
  ])
}

/** What a shot was entered with, once it is a record elsewhere; a correction of it that was begun since stays. */
async function dropRecorded(shotId: string): Promise<void> {
  const database = await deviceDatabase()
  const draft = await database.get('drafts', shotId)
  if (draft?.correcting === null) await database.delete('drafts', shotId)
  await database.delete('series', shotId)
}
