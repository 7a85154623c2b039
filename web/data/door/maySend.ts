import type { DevicePerson, SessionState } from '@calm-apron/contract'
import { teaches } from '@calm-apron/contract'
import type { Write } from '../device/deviceDatabase.ts'

/**
 * Whether a record under this name may be sent now: its author is here, or this device knows them. What is for those
 * who teach waits for one of them, and a ruling for whoever made it.
 */
export function maySendAs(
  session: SessionState | null,
  devicePeople: readonly DevicePerson[],
  write: Write & { author: string },
): boolean {
  const { author } = write
  if (session === null || session.handedOver !== null) return false
  if (author === session.person.personId) return true
  if (write.kind === 'ruling' || (isForStaff(write) && !teaches(session.person.role))) return false
  return devicePeople.some((each) => each.personId === author)
}

/** What leads a training, fills the trainer's side, or does without the other's word. */
function isForStaff(write: Write): boolean {
  switch (write.kind) {
    case 'training-event':
    case 'assessment-event':
      return true
    case 'slip':
      return write.body.side === 'trainer' || write.body.taste === null
    case 'call':
      return write.body.verdict === null
    default:
      return false
  }
}
