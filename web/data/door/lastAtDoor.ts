import type { DevicePerson, SessionState } from '@calm-apron/contract'
import { asPlain, deviceDatabase } from '../device/deviceDatabase.ts'

/** Who was here last, as this device remembers them for when the server can't be asked. */
export interface LastAtDoor {
  session: SessionState
  devicePeople: DevicePerson[]
  claimedId: string | null
}

export async function lastAtDoor(): Promise<LastAtDoor | undefined> {
  return (await deviceDatabase()).get('door', 'last')
}

export async function keepAtDoor(last: LastAtDoor): Promise<void> {
  await (await deviceDatabase()).put('door', asPlain(last), 'last')
}

export async function forgetAtDoor(): Promise<void> {
  await (await deviceDatabase()).delete('door', 'last')
}
