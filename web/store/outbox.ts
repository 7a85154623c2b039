import type { CorrectionInput, ShotInput } from '@calm-apron/contract'
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { asPlain, deviceDatabase, type UnsentWrite } from './deviceDatabase.ts'
import { backOffMs, sendWaiting } from './sender.ts'

const SENDING_LOCK = 'calm-apron.outbox'
const CHANNEL = 'calm-apron.outbox'

/** Unsent writes of this device: kept in order, sent when it can, seen by everyone. */
export const useOutbox = defineStore('outbox', () => {
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
    const reached = await navigator.locks.request(SENDING_LOCK, () => sendWaiting(database))
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
  void send()

  return { writes, waiting, refused, addShot, addCorrection, remove, send }
})
