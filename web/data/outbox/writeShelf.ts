import type { Problem } from '@calm-apron/contract'
import { type UnsentWrite, deviceDatabase, idOf } from '../device/deviceDatabase.ts'
import { writeOnDevice } from '../device/writeOnDevice.ts'

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
  /** Why those on a device that had no room to note it were refused. */
  const refusedHere = new Map<number, Problem>()
  /** What was sent lately; read from the device once, and whenever another page sent something. */
  let sent: UnsentWrite[] | null = null

  async function all(): Promise<UnsentWrite[]> {
    const database = await deviceDatabase()
    sent ??= await database.getAll('sent')
    const kept = await database.getAll('outbox')
    const waiting = kept.map((write) => ({
      ...write,
      refused: refusedHere.get(write.order ?? -1) ?? write.refused,
    }))
    return [...sent, ...waiting, ...inPage]
  }

  /** Another page sent something. */
  function lookAgain(): void {
    sent = null
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
    if ('sentAtMs' in settled) await noteSent({ ...write, ...settled })
    else await noteRefused(write, settled.refused)
  }

  async function noteSent(now: UnsentWrite): Promise<void> {
    const { order, ...rest } = now
    sent ??= await (await deviceDatabase()).getAll('sent')
    sent = [...sent, ...(now.kind === 'photo' ? [] : [now])]
    if (order !== undefined && !(await keeping(() => moveToSent(order, rest)))) await takeOut(order)
    if (order === undefined) {
      inPage = inPage.filter((each) => idOf(each) !== idOf(now))
      if (now.kind === 'shot') await dropRecorded(now.shotId)
    }
  }

  async function noteRefused(write: UnsentWrite, refused: Problem): Promise<void> {
    const { order } = write
    const now = { ...write, refused }
    if (order === undefined) inPage = inPage.map((each) => (each === write ? now : each))
    else {
      refusedHere.set(order, refused)
      if (await keeping(() => writeOnDevice(['outbox'], (store) => [store('outbox').put(now)])))
        refusedHere.delete(order)
    }
  }

  async function remove(write: UnsentWrite): Promise<void> {
    inPage = inPage.filter((each) => idOf(each) !== idOf(write))
    if (write.order !== undefined) await takeOut(write.order)
  }

  /** Forgets what was sent long ago. */
  async function dropSent(nowMs: number): Promise<void> {
    const store = (await deviceDatabase()).transaction('sent', 'readwrite').store
    const isOld = ({ sentAtMs = 0 }: UnsentWrite) => sentAtMs < nowMs - SENT_KEPT_MS
    for (let cursor = await store.openCursor(); cursor !== null; cursor = await cursor.continue())
      if (isOld(cursor.value)) await cursor.delete()
    sent = sent?.filter((write) => !isOld(write)) ?? null
  }

  return { all, lookAgain, lay, bringIn, settle, remove, dropSent }
}

/** In one step, and down to the disk: the power may go in the next moment. */
async function keepTogether(writes: readonly UnsentWrite[], recorded: string | null): Promise<void> {
  await writeOnDevice(
    ['outbox', 'drafts', 'series'],
    (store) => [
      ...writes.map((write) => store('outbox').add(write)),
      ...(recorded === null ? [] : [store('drafts').delete(recorded), store('series').delete(recorded)]),
    ],
    'strict',
  )
}

async function takeOut(order: number): Promise<void> {
  await writeOnDevice(['outbox'], (store) => [store('outbox').delete(order)])
}

/** From what waits to what was sent, in one step; a picture is heavy, and of no list. */
async function moveToSent(order: number, sent: Omit<UnsentWrite, 'order'>): Promise<void> {
  await writeOnDevice(['outbox', 'sent'], (store) => [
    store('outbox').delete(order),
    // Only its order was left out of it.
    ...('photoId' in sent ? [] : [store('sent').add(sent as UnsentWrite)]),
  ])
}

/** What a shot was entered with, once it is a record elsewhere; a correction of it that was begun since stays. */
async function dropRecorded(shotId: string): Promise<void> {
  const draft = await (await deviceDatabase()).get('drafts', shotId)
  await writeOnDevice(['drafts', 'series'], (store) => [
    ...(draft?.correcting === null ? [store('drafts').delete(shotId)] : []),
    store('series').delete(shotId),
  ])
}
