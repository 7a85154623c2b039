import type { CorrectionInput, ShotInput } from '@calm-apron/contract'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { type UnsentWrite, type Write, asPlain } from '../device/deviceDatabase.ts'
import { useDoor } from '../door/door.ts'
import { useLiveLine } from '../live/liveLine.ts'
import { sendWaiting } from './sender.ts'
import { inRounds } from './inRounds.ts'
import { type Settled, writeShelf } from './writeShelf.ts'

const CHANNEL = 'calm-apron.outbox'
const TIDY_EVERY_MS = 3_600_000

/** Unsent writes of this device: kept in order, sent when it can, seen by everyone. */
export const useOutbox = defineStore('outbox', () => {
  const door = useDoor()
  const all = shallowRef<UnsentWrite[]>([])
  const writes = computed(() => all.value.filter(({ sentAtMs }) => sentAtMs === undefined))
  const waiting = computed(() => writes.value.filter((write) => write.refused === null))
  const refused = computed(() => writes.value.filter((write) => write.refused !== null))
  /** The device has no room left, or lets nothing be kept: what is entered lives in this page alone. */
  const isStorageFull = ref(false)
  const shelf = writeShelf(keeping)
  const listeners = new Set<(write: UnsentWrite) => void>()
  const channel = new BroadcastChannel(CHANNEL)
  let reloaded = Promise.resolve()
  const send = inRounds(async () => {
    await shelf.bringIn()
    const isReached = await sendWaiting(await shelf.all(), door.maySend, settle)
    await changed()
    return isReached
  })

  /** One after the other, so that no older look comes last. */
  function reload(): Promise<void> {
    const look = async () => {
      all.value = await shelf.all()
    }
    reloaded = reloaded.then(look, look)
    return reloaded
  }

  async function changed(): Promise<void> {
    await reload()
    channel.postMessage('changed')
  }

  async function settle(write: UnsentWrite, settled: Settled): Promise<void> {
    await shelf.settle(write, settled)
    if ('sentAtMs' in settled) for (const listen of listeners) listen(write)
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

  /** Adds writes that belong together, all or none; `recorded`: the shot whose draft and series they take the place of. */
  async function addAll(added: readonly Write[], recorded: string | null = null): Promise<void> {
    const unsent = added.map((write): UnsentWrite => {
      const author =
        write.kind === 'shot' || write.kind === 'correction' ? write.body.judgedBy : door.personId
      return { ...asPlain(write), author, refused: null }
    })
    await shelf.lay(unsent, recorded)
    await changed()
    void send()
  }

  const add = (write: Write) => addAll([write])
  const addShot = (shotId: string, body: ShotInput) => add({ kind: 'shot', shotId, body })
  const addCorrection = (shotId: string, revisionId: string, body: CorrectionInput) =>
    add({ kind: 'correction', shotId, revisionId, body })

  async function remove(write: UnsentWrite): Promise<void> {
    await shelf.remove(write)
    await changed()
  }

  /** What an answer that was asked for then can't know of: what is unsent, and what was sent after it. Refused is neither. */
  function since(askedAtMs: number): UnsentWrite[] {
    return all.value.filter(
      ({ refused: problem, sentAtMs = Infinity }) => problem === null && sentAtMs >= askedAtMs,
    )
  }

  /** Hears of each write as it was sent, as long as the page lives. */
  function onSent(listen: (write: UnsentWrite) => void): void {
    listeners.add(listen)
  }

  channel.onmessage = () => {
    shelf.lookAgain()
    void reload()
  }
  useEventListener(window, 'online', () => void send())
  useLiveLine().onNews(({ kind }) => {
    if (kind === 'here') void send()
  })
  // Whoever comes in, their records go first thing.
  watch(
    () => [door.session?.sessionId, door.session?.handedOver, door.state, door.devicePeople],
    () => void send(),
    { immediate: true },
  )
  const tidy = () => void shelf.dropSent(Date.now())
  tidy()
  useIntervalFn(tidy, TIDY_EVERY_MS)

  const adding = { add, addAll, addShot, addCorrection, remove, send }
  return { writes, waiting, refused, isStorageFull, keeping, since, onSent, ...adding }
})

function isForWantOfRoom(error: unknown): boolean {
  return error instanceof DOMException && error.name === 'QuotaExceededError'
}
