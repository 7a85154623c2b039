import type { Academy } from '@calm-apron/contract'
import { leaveTrace } from '../audit/trace.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { academy, account, person, personName } from '../database/schema/index.ts'
import { refuseIfNameTaken } from '../doors/accountQueries.ts'
import { refuseUnknownZone } from './timeZone.ts'

export interface FirstHead {
  personId: string
  displayName: string
  signInName: string
  /** null where the head comes in by a link. */
  passwordHash: string | null
}

/** An academy as it is founded; what is left out is as most have it. */
export type NewAcademy = Omit<Academy, 'clockHabit'>

/**
 * Stores a new academy with its head. The transaction has named it.
 * @throws {Refusal} `invalid-input` at `signInPath` when the sign-in name is taken
 */
export async function makeAcademy(
  transaction: AcademyTransaction,
  made: NewAcademy,
  head: FirstHead,
  signInPath: string,
  now: Date,
): Promise<void> {
  const { academyId } = made
  const { personId, displayName, signInName, passwordHash } = head
  await refuseIfNameTaken(transaction, signInName, signInPath)
  await refuseUnknownZone(transaction, made.timeZone, 'academy.timeZone')
  await transaction.insert(academy).values(made)
  await transaction.insert(person).values({ academyId, personId, role: 'head' })
  await transaction.insert(personName).values({ academyId, personId, displayName })
  await transaction.insert(account).values({ academyId, personId, signInName, passwordHash })
  const after = { timeZone: made.timeZone, headId: personId }
  await leaveTrace(
    transaction,
    { academyId, kind: 'academy-made', actorId: personId, personId: null, subjectId: academyId, after },
    now,
  )
}
