import { OPEN_MS } from '@calm-apron/core'
import { type SQL, and, sql } from 'drizzle-orm'
import { anyOf } from '../database/anyOf.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { shot } from '../database/schema/index.ts'

/** Whoever pulled was asked for their call, has not made it, and no trainer has said that there will be none. */
export const awaitsCall = sql`(shot.is_call_asked and not exists (
  select from call c where c.academy_id = shot.academy_id and c.shot_id = shot.shot_id
    and c.stage = 'final' and (c.person_id = shot.person_id or c.verdict is null)))`

/**
 * Pulled in a set that is on: sealed until it is over; one that nobody ended, or whose end never came, is over a day after the shot
 * arrived. A tablet's clock, which may be wrong, opens nothing.
 */
export const isSealedInSet = sql`(shot.assessment_id is not null and not exists (
    select from assessment a where a.academy_id = shot.academy_id and a.assessment_id = shot.assessment_id
      and a.closed_at is not null) and not exists (
    select from shot_revision r where r.academy_id = shot.academy_id and r.shot_id = shot.shot_id
      and r.revision_no = 1 and r.received_at < now() - make_interval(secs => ${sql.raw(`${OPEN_MS / 1000}`)})))`

/** Not yet open to whoever pulled it. */
export const isWithheldYet = sql`(${awaitsCall} or ${isSealedInSet})`

/** Those of these shots of which this holds, such as that one awaits its call. */
export async function shotsAmong(
  transaction: AcademyTransaction,
  shotIds: readonly string[],
  holds: SQL | undefined,
): Promise<Set<string>> {
  if (shotIds.length === 0) return new Set()
  const rows = await transaction
    .select({ shotId: shot.shotId })
    .from(shot)
    .where(and(anyOf(shot.shotId, sql.param(shotIds)), holds))
  return new Set(rows.map(({ shotId }) => shotId))
}
