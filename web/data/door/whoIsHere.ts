import {
  type Action,
  type DevicePerson,
  type Doors,
  type Part,
  type SessionState,
  mayDo,
  teaches,
} from '@calm-apron/contract'
import { type Ref, computed } from 'vue'

/** What the door knows, as it was last told or remembers it. */
export interface AtDoor {
  doors: Ref<Omit<Doors, 'session'> | null>
  session: Ref<SessionState | null>
  /** Someone named without a check, while there is no network. */
  claimedId: Ref<string | null>
}

/** Who is at this device and what they may do, as it follows from what the door knows. */
export function whoIsHere({ doors, session, claimedId }: AtDoor) {
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

  return { devicePeople, returning, claimed, personId, personName, part, isStaff, may }
}
