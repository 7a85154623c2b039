import {
  type Action,
  type DevicePerson,
  type Doors,
  ENDPOINTS,
  type Part,
  type SessionState,
  mayDo,
  teaches,
} from '@calm-apron/contract'
import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { call, doorBell } from '../api/client.ts'
import { ServerUnreachable } from '../../kit/failures.ts'
import { forgetAnswers } from '../queries/keptAnswer.ts'
import { type Write, asPlain, deviceDatabase } from '../device/deviceDatabase.ts'

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

  const devicePeople = computed<DevicePerson[]>(() => doors.value?.devicePeople ?? [])
  /** Those of them who come back with a secret of theirs; the demo's people come in by a tap. */
  const returning = computed(() => {
    const demo = new Set(doors.value?.demo?.people.map((each) => each.personId))
    return devicePeople.value.filter((each) => each.hasPin || !demo.has(each.personId))
  })
  const claimed = computed(
    () => devicePeople.value.find(({ personId }) => personId === claimedId.value) ?? null,
  )
  /** Under whose name records are made. */
  const personId = computed(() => claimed.value?.personId ?? session.value?.person.personId ?? '')
  const personName = computed(() => claimed.value?.displayName ?? session.value?.person.displayName ?? '')
  const part = computed<Part | null>(() => {
    if (session.value === null) return null
    return session.value.handedOver === null ? session.value.person.role : 'handed'
  })

  const isStaff = computed(() => teaches(part.value))

  /** What the one table says, of one's own things or of anyone's; so that nothing is offered that is refused. */
  function may(action: Action, isOwn = false): boolean {
    return part.value !== null && mayDo(part.value, action, isOwn)
  }

  /**
   * Whether a record under this name may be sent now: its author is here, or this device knows them. What is for those
   * who teach waits for one of them, and a ruling for whoever made it.
   */
  function maySend(write: Write & { author: string }): boolean {
    const { author } = write
    if (session.value === null || session.value.handedOver !== null) return false
    if (author === session.value.person.personId) return true
    if (write.kind === 'ruling' || (isForStaff(write) && !isStaff.value)) return false
    return devicePeople.value.some((each) => each.personId === author)
  }

  async function load(): Promise<void> {
    const late = setTimeout(() => void rememberMeanwhile(), PATIENCE_MS)
    try {
      const { session: here, ...rest } = await call(ENDPOINTS.getDoors)
      doors.value = rest
      wasEnded.value = here === null && session.value !== null
      if (state.value === 'looking' && here !== null)
        claimedId.value = (await (await deviceDatabase()).get('door', 'last'))?.claimedId ?? null
      await settle(here)
    } catch (error) {
      if (!(error instanceof ServerUnreachable)) throw error
      await remember()
      setTimeout(() => void load(), TRY_AGAIN_MS)
    } finally {
      clearTimeout(late)
    }
  }

  /** On a line that hangs nobody stands before a closed door that this device could open. */
  async function rememberMeanwhile(): Promise<void> {
    const isKnown = (await (await deviceDatabase()).get('door', 'last')) !== undefined
    if (isKnown && state.value === 'looking') await remember()
  }

  /** The server can't be asked: the device stays open as its last person. */
  async function remember(): Promise<void> {
    const last = session.value === null ? await (await deviceDatabase()).get('door', 'last') : undefined
    if (last) {
      session.value = last.session
      claimedId.value = last.claimedId
      doors.value = { canSetUp: false, demo: null, devicePeople: last.devicePeople, publicOrigin: null }
    }
    state.value = session.value === null ? 'unreachable' : 'remembered'
  }

  async function settle(here: SessionState | null): Promise<void> {
    session.value = here
    state.value = here === null ? 'closed' : 'open'
    if (claimedId.value === here?.person.personId || here === null) claimedId.value = null
    const database = await deviceDatabase()
    if (here === null) await database.delete('door', 'last')
    else await keep()
  }

  async function keep(): Promise<void> {
    if (session.value === null) return
    const kept = { session: session.value, devicePeople: devicePeople.value, claimedId: claimedId.value }
    await (await deviceDatabase()).put('door', asPlain(kept), 'last')
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

  return {
    state,
    doors,
    session,
    devicePeople,
    returning,
    claimed,
    personId,
    personName,
    part,
    isStaff,
    wasEnded,
    may,
    maySend,
    load,
    comeIn,
    claim,
    signOut,
  }
})

/** What leads a training, fills the trainer's side, or does without the other's word. */
function isForStaff(write: Write): boolean {
  switch (write.kind) {
    case 'training-event':
      return true
    case 'slip':
      return write.body.side === 'trainer' || write.body.taste === null
    case 'call':
      return write.body.verdict === null
    default:
      return false
  }
}
