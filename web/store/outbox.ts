import type { CorrectionInput, ShotInput } from '@calm-apron/contract'
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { asPlain, deviceDatabase, type UnsentWrite } from './deviceDatabase.ts'
import { useDoor } from './door.ts'
import { backOffMs, sendWaiting } from './sender.ts'

const SENDING_LOCK = 'calm-apron.outbox'
const CHANNEL = 'calm-apron.outbox'

/** Unsent writes of this device: kept in order, sent when it can, seen by everyone. */
export const useOutbox = defineStore('outbox', () => {
  const door = useDoor()
  const writes = ref<UnsentWrite[]>([])
  const waiting = computed(() => writes.value.filter((write) => write.refused === null))
  const refused = computed(() => writes.value.filter((write) => write.refused !== null))
  const channel = new BroadcastChannel(CHANNEL)
  let failures = 0
  let retry: ReturnType<typeof setTimeout> | undefined

  async function reload(): Promise<void> {
    writes.value = await (await deviceDatabase()).getAll('outbox')
  }

  async function changed(): Promise<void> {
    await reload()
    channel.postMessage('changed')
  }

  /** One tab sends at a time; the others see what it did. */
  async function send(): Promise<void> {
    clearTimeout(retry)
    const database = await deviceDatabase()
    const reached = await alone(() => sendWaiting(database, door.isAuthorHere))
    await changed()
    failures = reached ? 0 : failures + 1
    if (!reached) retry = setTimeout(() => void send(), backOffMs(failures))
  }

  async function add(write: UnsentWrite): Promise<void> {
    await (await deviceDatabase()).add('outbox', write)
    await changed()
    void send()
  }

  const addShot = (shotId: string, body: ShotInput) =>
    add({ kind: 'shot', shotId, body: asPlain(body), refused: null })
  const addCorrection = (shotId: string, revisionId: string, body: CorrectionInput) =>
    add({ kind: 'correction', shotId, revisionId, body: asPlain(body), refused: null })

  async function remove(write: UnsentWrite): Promise<void> {
    if (write.order !== undefined) await (await deviceDatabase()).delete('outbox', write.order)
    await changed()
  }

  channel.onmessage = () => void reload()
  useEventListener(window, 'online', () => void send())
  // Whoever comes in, their records go first thing.
  watch(
    () => [door.session?.sessionId, door.session?.handedOver],
    () => void send(),
    { immediate: true },
  )

  return { writes, waiting, refused, addShot, addCorrection, remove, send }
})

/** Without https, away from this machine, browsers have no locks; sending twice is then harmless, only wasteful. */
async function alone<T>(work: () => Promise<T>): Promise<T> {
  const locks = 'locks' in navigator ? navigator.locks : null
  return locks === null ? work() : locks.request(SENDING_LOCK, work)
}
