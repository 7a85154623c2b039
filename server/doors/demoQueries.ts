import type { Person } from '@calm-apron/contract'
import { and, asc, eq, isNull } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { academy, account, person, personName } from '../database/schema/index.ts'

// Whoever has a password of their own is not come in as by a tap.
const comesInByTap = and(isNull(person.endedAt), isNull(account.personId))

/** The made-up people of the academy that is named, by name. */
export async function listDemoPeople(transaction: AcademyTransaction): Promise<Person[]> {
  return transaction
    .select({ personId: person.personId, displayName: personName.displayName, role: person.role })
    .from(person)
    .innerJoin(personName, eq(personName.personId, person.personId))
    .leftJoin(account, eq(account.personId, person.personId))
    .where(comesInByTap)
    .orderBy(asc(personName.displayName))
}

/** Whether this is one of them, and their academy the made-up one. */
export async function isDemoPerson(transaction: AcademyTransaction, personId: string): Promise<boolean> {
  const [found] = await transaction
    .select({ isDemo: academy.isDemo })
    .from(person)
    .innerJoin(academy, eq(academy.academyId, person.academyId))
    .leftJoin(account, eq(account.personId, person.personId))
    .where(and(eq(person.personId, personId), comesInByTap))
  return found?.isDemo ?? false
}
