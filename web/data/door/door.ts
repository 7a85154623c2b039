import { type Doors, ENDPOINTS, type SessionState } from '@calm-apron/contract'
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { call, doorBell } from '../api/client.ts'
import { ServerUnreachable } from '../../kit/failures.ts'
import { forgetAnswers } from '../queries/keptAnswer.ts'
import type { Write } from '../device/deviceDatabase.ts'
import { type LastAtDoor, forgetAtDoor, keepAtDoor, lastAtDoor } from './lastAtDoor.ts'
import { maySendAs } from './maySend.ts'
import { whoIsHere } from './whoIsHere.ts'

/** `remembered`: the server can't be asked, and the device stays open as the last person. */
export type DoorState = 'looking' | 'open' | 'remembered' | 'closed' | 'unreachable'

const TRY_AGAIN_MS = 5000
const PATIENCE_MS = 1000

/** Who is at this device, what they may do, and which ways in there are. */
export const useDoor = defineStore('door', () => {
  const state = ref<DoorState>('looking')
  const doors = ref<Omit<Doors, 'session'> | null>(null)
  const session = ref<SessionState | null>(null)
  const claimedId = ref<string | null>(null)
  /** Someone was here, and the server says no longer. */
  const wasEnded = ref(false)

  const who = whoIsHere({ doors, session, claimedId })
  const maySend = (write: Write & { author: string }) =>
    maySendAs(session.value, who.devicePeople.value, write)

  /** How often the server was asked: what an earlier question was answered is not how it stands since. */
  let asked = 0

  async function load(): Promise<void> {
    const turn = (asked += 1)
    const late = setTimeout(() => void rememberMeanwhile(), PATIENCE_MS)
    try {
      const [{ session: here, ...rest }, last] = await Promise.all([call(ENDPOINTS.getDoors), lastAtDoor()])
      if (turn !== asked) return
      wasEnded.value = here === null && session.value !== null
      if (state.value === 'looking' && here !== null) claimedId.value = last?.claimedId ?? null
      await settle(here, rest)
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
      const last = await lastAtDoor()
      if (turn !== asked) return
      remember(last)
      setTimeout(() => void load(), TRY_AGAIN_MS)
    } finally {
      clearTimeout(late)
    }
  }

  /** On a line that hangs nobody stands before a closed door that this device could open. */
  async function rememberMeanwhile(): Promise<void> {
    const last = await lastAtDoor()
    // The server may have said it while the device looked.
    if (last !== undefined && state.value === 'looking') remember(last)
  }

  /** The server can't be asked: the device stays open as its last person. */
  function remember(last: LastAtDoor | undefined): void {
    if (last !== undefined && session.value === null) {
      session.value = last.session
      claimedId.value = last.claimedId
      doors.value = { canSetUp: false, demo: null, devicePeople: last.devicePeople, publicOrigin: null }
    }
    state.value = session.value === null ? 'unreachable' : 'remembered'
  }

  /** Who is here comes first: the line that hears of changes is begun before anything is asked for. */
  async function settle(here: SessionState | null, ways = doors.value): Promise<void> {
    session.value = here
    doors.value = ways
    state.value = here === null ? 'closed' : 'open'
    if (claimedId.value === here?.person.personId || here === null) claimedId.value = null
    if (here === null) await forgetAtDoor()
    else await keep()
  }

  async function keep(): Promise<void> {
    if (session.value === null) return
    const { value: devicePeople } = who.devicePeople
    await keepAtDoor({ session: session.value, devicePeople, claimedId: claimedId.value })
  }

  /** Someone came in: by password, PIN, link, or as one of the demo's people. */
  async function comeIn(here: SessionState): Promise<void> {
    // For whom else records may be sent is not known before the server says it anew.
    if (doors.value !== null) doors.value = { ...doors.value, devicePeople: [] }
    session.value = here
    wasEnded.value = false
    claimedId.value = null
    await load()
  }

  /** Goes on as someone without a check, while there is no network; null goes back to who was checked. */
  async function claim(who: string | null): Promise<void> {
    claimedId.value = who === session.value?.person.personId ? null : who
    await keep()
  }

  /** Signs out here, or everywhere; what waits to be sent stays on the device for its author. */
  async function signOut(where: 'here' | 'everywhere'): Promise<void> {
    const leaving = session.value?.person.personId ?? ''
    await call(where === 'here' ? ENDPOINTS.signOut : ENDPOINTS.signOutEverywhere)
    await forgetAnswers(leaving)
    await settle(null)
    // Which ways in there are now may come a little later: nobody is kept at the door for it.
    void load()
  }

  useEventListener(doorBell, 'signed-out', () => {
    if (state.value === 'open' || state.value === 'remembered') void load()
  })

  return { state, doors, session, wasEnded, ...who, maySend, load, comeIn, claim, signOut }
})
