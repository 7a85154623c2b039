import type { DevicePerson, SessionState } from '@calm-apron/contract'
import { asPlain, deviceDatabase } from '../device/deviceDatabase.ts'
import { writeOnDevice } from '../device/writeOnDevice.ts'

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
  await writeOnDevice(['door'], (store) => [store('door').put(asPlain(last), 'last')])
}

export async function forgetAtDoor(): Promise<void> {
  await writeOnDevice(['door'], (store) => [store('door').delete('last')])
}
