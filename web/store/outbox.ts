import type { CorrectionInput, ShotInput } from '@calm-apron/contract'
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { type UnsentWrite, type Write, asPlain, deviceDatabase } from './deviceDatabase.ts'
import { useDoor } from './door.ts'
import { backOffMs, sendWaiting, sendWrite } from './sender.ts'

const SENDING_LOCK = 'calm-apron.outbox'
const CHANNEL = 'calm-apron.outbox'

/** Unsent writes of this device: kept in order, sent when it can, seen by everyone. */
export const useOutbox = defineStore('outbox', () => {
  const door = useDoor()
  const writes = ref<UnsentWrite[]>([])
  const waiting = computed(() => writes.value.filter((write) => write.refused === null))
  const refused = computed(() => writes.value.filter((write) => write.refused !== null))
  /** The device has no room left, or lets nothing be kept: what is entered lives in this page alone. */
  const isStorageFull = ref(false)
  const channel = new BroadcastChannel(CHANNEL)
  let failures = 0
  let retry: ReturnType<typeof setTimeout> | undefined
  /** What could not be kept for want of room; it is sent from here as long as the page lives. */
  const unkept: UnsentWrite[] = []

  async function reload(): Promise<void> {
    writes.value = [...(await (await deviceDatabase()).getAll('outbox')), ...unkept]
  }

  async function changed(): Promise<void> {
    await reload()
    channel.postMessage('changed')
  }

  /** One tab sends at a time; the others see what it did. */
  async function send(): Promise<void> {
    clearTimeout(retry)
    await keepUnkept()
    const database = await deviceDatabase()
    const reached = await alone(async () => (await sendWaiting(database, door.maySend)) && sendUnkept())
    await changed()
    failures = reached ? 0 : failures + 1
    if (!reached) retry = setTimeout(() => void send(), backOffMs(failures))
  }

  /** Keeps something on the device; a device without room says so, and nothing is thrown away for it. */
  async function keeping(keep: () => Promise<unknown>): Promise<boolean> {
    try {
      await keep()
      isStorageFull.value = false
      return true
    } catch (error) {
      if (!isForWantOfRoom(error)) throw error
      isStorageFull.value = true
      return false
    }
  }

  async function keepUnkept(): Promise<void> {
    while (unkept[0] !== undefined) {
      const [write] = unkept
      if (!(await keeping(() => keepWrite(write)))) return
      unkept.shift()
    }
  }

  /** What found no room goes from the page itself, after all that was kept before it. Tells whether it was reached. */
  async function sendUnkept(): Promise<boolean> {
    for (let [write] = unkept; write !== undefined && door.maySend(write); [write] = unkept) {
      const outcome = await sendWrite(write)
      if (!outcome.sent && outcome.refused === null) return false
      unkept.shift()
      if (!outcome.sent) writes.value = [...writes.value, { ...write, refused: outcome.refused }]
    }
    return true
  }

  async function add(write: Write): Promise<void> {
    const author = write.kind === 'shot' || write.kind === 'correction' ? write.body.judgedBy : door.personId
    const unsent: UnsentWrite = { ...asPlain(write), author, refused: null }
    const isKept = unkept.length === 0 && (await keeping(() => keepWrite(unsent)))
    if (!isKept) unkept.push(unsent)
    await changed()
    void send()
  }

  const addShot = (shotId: string, body: ShotInput) => add({ kind: 'shot', shotId, body })
  const addCorrection = (shotId: string, revisionId: string, body: CorrectionInput) =>
    add({ kind: 'correction', shotId, revisionId, body })

  async function remove(write: UnsentWrite): Promise<void> {
    if (write.order !== undefined) await (await deviceDatabase()).delete('outbox', write.order)
    await changed()
  }

  channel.onmessage = () => void reload()
  useEventListener(window, 'online', () => void send())
  // Whoever comes in, their records go first thing.
  watch(
    () => [door.session?.sessionId, door.session?.handedOver, door.state, door.devicePeople],
    () => void send(),
    { immediate: true },
  )

  return { writes, waiting, refused, isStorageFull, keeping, add, addShot, addCorrection, remove, send }
})

/** Down to the disk: the power may go in the next moment. */
async function keepWrite(write: UnsentWrite): Promise<void> {
  const transaction = (await deviceDatabase()).transaction('outbox', 'readwrite', { durability: 'strict' })
  await transaction.store.add(write)
  await transaction.done
}

function isForWantOfRoom(error: unknown): boolean {
  return error instanceof DOMException && error.name === 'QuotaExceededError'
}

/** Without https, away from this machine, browsers have no locks; sending twice is then harmless, only wasteful. */
async function alone<T>(work: () => Promise<T>): Promise<T> {
  const locks = 'locks' in navigator ? navigator.locks : null
  return locks === null ? work() : locks.request(SENDING_LOCK, work)
}
