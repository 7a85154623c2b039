import type { AuditEntry, AuditKind } from '@calm-apron/contract'
import type { Actor } from '../doors/actor.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { withheldFrom } from '../shots/withheld.ts'
import type { FoundTrace } from './queries.ts'

/** Traces that hold what was tasted or said of a shot: closed to all but whoever said it, until the slips open. */
export const OF_THE_SLIPS: ReadonlySet<AuditKind> = new Set([
  'slip-filled',
  'slip-corrected',
  'call-made',
  'reading-overruled',
])
/** Traces that hold a shot's numbers: closed to a trainee who is still asked for their call. */
const OF_THE_NUMBERS: ReadonlySet<AuditKind> = new Set([
  'shot-recorded',
  'shot-corrected',
  'shot-repurposed',
  'reading-overruled',
])

/** Traces as this person may read them: what `getTasting` and `getShot` withhold from them is withheld here too. */
export async function asSeenBy(
  transaction: AcademyTransaction,
  actor: Pick<Actor, 'personId' | 'part'>,
  traces: readonly FoundTrace[],
): Promise<AuditEntry[]> {
  const ofShots = traces.filter(({ kind }) => OF_THE_NUMBERS.has(kind)).map(({ subjectId }) => subjectId)
  const withheld = await withheldFrom({ actor, transaction }, [...new Set(ofShots)])
  return traces.map(({ areSlipsClosed, ...entry }) => {
    const { kind, subjectId, actorId } = entry
    const isSealed =
      (areSlipsClosed && actorId !== actor.personId) || (OF_THE_NUMBERS.has(kind) && withheld.has(subjectId))
    return isSealed ? { ...entry, before: null, after: null, why: null } : entry
  })
}
