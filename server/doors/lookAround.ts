import type { Doors } from '@calm-apron/contract'
import { findAcademy } from '../academies/queries.ts'
import { asSession, behindDoor } from '../database/inAcademy.ts'
import type { House } from '../house.ts'
import { findActor } from './actor.ts'
import { listDemoPeople } from './demoQueries.ts'
import { findSessionState, listDevicePeople } from './sessionQueries.ts'
import { isSetUp } from './setUpQueries.ts'
import type { Visitor } from './visitor.ts'

/** What the first screen needs to know before, and whether, anyone is known. */
export async function lookAround(house: House, { sessionHash, deviceHash }: Visitor): Promise<Doors> {
  const now = house.now()
  return {
    canSetUp: !(await isSetUp(house.database)),
    publicOrigin: house.doors.publicOrigin,
    demo: house.doors.demoSignIn ? await demoPeople(house) : null,
    devicePeople:
      deviceHash === null
        ? []
        : await behindDoor(house.database, 'device', deviceHash, (transaction) =>
            listDevicePeople(transaction, deviceHash, now),
          ),
    session:
      sessionHash === null
        ? null
        : await asSession(house.database, sessionHash, async (transaction, found) => {
            const actor = await findActor(transaction, found, now)
            return actor === null ? null : findSessionState(transaction, actor.sessionId)
          }),
  }
}

async function demoPeople(house: House): Promise<Doors['demo']> {
  return behindDoor(house.database, 'demo', '', async (transaction) => {
    const people = await listDemoPeople(transaction)
    if (people.length === 0) return null
    return { academyName: (await findAcademy(transaction)).name, people }
  })
}
