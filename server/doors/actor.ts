import { type Action, type Part, mayDo } from '@calm-apron/contract'
import type { FoundSession } from '../database/inAcademy.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { Refusal } from '../refusal.ts'
import { DOOR_LIMITS } from './limits.ts'
import { noteUse } from './sessionQueries.ts'

const MS_PER_DAY = 86_400_000

/** Who is asking. While a tablet is handed over, the one who holds it, for one shot only. */
export interface Actor {
  academyId: string
  sessionId: string
  deviceHash: string
  part: Part
  personId: string
  /** Whose session it is; another than `personId` only while handed over. */
  holderId: string
  /** The one shot a handed tablet reaches. */
  handedShotId: string | null
}

/** Whether a session is over by its own limits. */
export function isOver({ lastUsedAt, endsAt }: { lastUsedAt: Date; endsAt: Date }, now: Date): boolean {
  return now >= endsAt || now.getTime() - lastUsedAt.getTime() > DOOR_LIMITS.idleDays * MS_PER_DAY
}

/** The person behind a session; null when it is over, ended, or never was. Notes its use now and then. */
export async function findActor(
  transaction: AcademyTransaction,
  found: FoundSession | null,
  now: Date,
): Promise<Actor | null> {
  if (found === null || found.personEndedAt !== null || isOver(found, now)) return null
  await touch(transaction, found, now)
  const { academyId, sessionId, deviceHash, personId, handedPersonId, handedShotId } = found
  return {
    academyId,
    sessionId,
    deviceHash,
    part: handedPersonId === null ? found.role : 'handed',
    personId: handedPersonId ?? personId,
    holderId: personId,
    handedShotId,
  }
}

async function touch(
  transaction: AcademyTransaction,
  { sessionId, lastUsedAt }: { sessionId: string; lastUsedAt: Date },
  now: Date,
): Promise<void> {
  if (now.getTime() - lastUsedAt.getTime() < DOOR_LIMITS.touchEveryS * 1000) return
  await noteUse(transaction, sessionId, now)
}

/**
 * Refuses what the table does not allow for this thing. What one may not touch is not there.
 * @throws {Refusal} `not-found`
 */
export function refuseUnlessOwn(actor: Actor, action: Action, isOwn: boolean): void {
  if (!mayDo(actor.part, action, isOwn)) throw notThere()
}

/** Whether a shot is the actor's own: pulled by them and, on a handed tablet, the very one it was handed for. */
export function ownsShot(actor: Actor, { shotId, personId }: { shotId: string; personId: string }): boolean {
  return personId === actor.personId && (actor.handedShotId === null || actor.handedShotId === shotId)
}

export function notThere(): Refusal {
  return new Refusal('not-found', 'There is no such thing.')
}
