import type { Doors } from '@calm-apron/contract'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import { findAcademy } from '../academies/queries.ts'
import { behindDoor } from '../database/inAcademy.ts'
import type { Database } from '../database/pool.ts'
import { account, person, personName } from '../database/schema/index.ts'
import type { House } from '../house.ts'
import { findActor } from './actor.ts'
import { findSessionState, listDevicePeople } from './sessionQueries.ts'
import type { Visitor } from './visitor.ts'

/** What the first screen needs to know before, and whether, anyone is known. */
export async function lookAround(house: House, { sessionHash, deviceHash }: Visitor): Promise<Doors> {
  const now = house.now()
  return {
    canSetUp: !(await isSetUp(house)),
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
        : await behindDoor(house.database, 'session', sessionHash, async (transaction) => {
            const actor = await findActor(transaction, sessionHash, now)
            return actor === null ? null : findSessionState(transaction, actor.sessionId)
          }),
  }
}

/** Whether an academy of someone's own is here. */
export async function isSetUp({ database }: { database: Pick<Database, 'execute'> }): Promise<boolean> {
  const { rows } = await database.execute<{ is_set_up: boolean }>(sql`select is_set_up()`)
  return rows[0]?.is_set_up ?? false
}

async function demoPeople(house: House): Promise<Doors['demo']> {
  return behindDoor(house.database, 'demo', '', async (transaction) => {
    const people = await transaction
      .select({ personId: person.personId, displayName: personName.displayName, role: person.role })
      .from(person)
      .innerJoin(personName, eq(personName.personId, person.personId))
      .leftJoin(account, eq(account.personId, person.personId))
      // Whoever has a password of their own is not come in as by a tap.
      .where(and(isNull(person.endedAt), isNull(account.personId)))
      .orderBy(asc(personName.displayName))
    if (people.length === 0) return null
    return { academyName: (await findAcademy(transaction)).name, people }
  })
}
