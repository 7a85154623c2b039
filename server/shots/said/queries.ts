import { asc, lt, sql } from 'drizzle-orm'
import type { AcademyTransaction, Database } from '../../database/pool.ts'
import { shotSaid } from '../../database/schema/index.ts'
import { type ShotsAndRecipes, listShots } from '../queries.ts'

/** The academies in which it is not known of every shot what it is said to be. */
export async function academiesBehind(database: Database, rulesVersion: number): Promise<string[]> {
  const { rows } = await database.$client.query<{ academy_id: string }>(
    'select shot_said_behind($1) as academy_id',
    [rulesVersion],
  )
  return rows.map(({ academy_id }) => academy_id)
}

/** Takes the newest that are behind, which are looked for first, until the transaction ends; none where none is, or others have them in hand. */
export async function claimBehind(
  transaction: AcademyTransaction,
  rulesVersion: number,
  limit: number,
): Promise<string[]> {
  const rows = await transaction
    .select({ shotId: shotSaid.shotId })
    .from(shotSaid)
    .where(lt(shotSaid.rulesVersion, rulesVersion))
    // As its index has them, so that of very many none is looked at but these.
    .orderBy(asc(shotSaid.rulesVersion), sql`${shotSaid.pulledAt} desc nulls last`)
    .limit(limit)
    .for('update', { skipLocked: true })
  return rows.map(({ shotId }) => shotId)
}

/**
 * What is read beside one of these and is not behind itself: of the session after it by the same person, and the next on the
 * same grinder.
 */
export async function readBeside(
  transaction: AcademyTransaction,
  shotIds: readonly string[],
  rulesVersion: number,
): Promise<string[]> {
  // First the shots, then whether each is behind: planned together, all that is not behind would be read for each of these.
  const { rows } = await transaction.execute<{ shot_id: string }>(sql`
    with after as materialized (
      select o.shot_id from shot b cross join lateral (
        select o.shot_id from shot o where o.person_id = b.person_id
          and o.pulled_at > b.pulled_at and o.pulled_at < b.pulled_at + interval '4 hours'
        union
        (select o.shot_id from shot o where o.grinder_id = b.grinder_id
          and o.pulled_at > b.pulled_at and o.pulled_at < b.pulled_at + interval '4 hours'
          order by o.pulled_at limit 1)) o
      where b.shot_id = any (${sql.param(shotIds)}))
    select said.shot_id from shot_said said
    where said.shot_id = any (array(select shot_id from after)) and said.rules_version >= ${rulesVersion}`)
  return rows.map(({ shot_id }) => shot_id)
}

/** No session of one person or grinder has more. */
const AROUND_SHOTS = 2000

/** These shots, with those of the session before each by the same person, and the last before it on its grinder; newest first. */
export async function withShotsBefore(
  transaction: AcademyTransaction,
  academyId: string,
  shotIds: readonly string[],
): Promise<ShotsAndRecipes> {
  const { rows } = await transaction.execute<{ shot_id: string }>(sql`
    select before.shot_id from shot b cross join lateral (
      select o.shot_id from shot o where o.person_id = b.person_id
        and o.pulled_at <= b.pulled_at and o.pulled_at > b.pulled_at - interval '4 hours'
      union
      (select o.shot_id from shot o where o.grinder_id = b.grinder_id
        and o.pulled_at < b.pulled_at and o.pulled_at > b.pulled_at - interval '4 hours'
        order by o.pulled_at desc limit 1)) before
    where b.shot_id = any (${sql.param(shotIds)})`)
  const ids = [...new Set(rows.map(({ shot_id }) => shot_id))]
  return listShots(transaction, academyId, { shotIds: ids, limit: AROUND_SHOTS }, null, false)
}

/** Whether there are shots of which it is not known yet what they are said to be. */
export async function isSomethingBehind(
  transaction: AcademyTransaction,
  rulesVersion: number,
): Promise<boolean> {
  const rows = await transaction
    .select({ shotId: shotSaid.shotId })
    .from(shotSaid)
    .where(lt(shotSaid.rulesVersion, rulesVersion))
    .limit(1)
  return rows.length > 0
}

/** What a shot is said to be; null for what is not judged or named. */
export type Said = Pick<
  typeof shotSaid.$inferSelect,
  'shotId' | 'dose' | 'tamp' | 'yield' | 'time' | 'taste' | 'cause'
>

/** Keeps what these shots are said to be by such rules. */
export async function keepSaid(
  transaction: AcademyTransaction,
  said: readonly Said[],
  rulesVersion: number,
): Promise<void> {
  await transaction.execute(sql`
    update shot_said set rules_version = ${rulesVersion}, dose = now_said.dose, tamp = now_said.tamp,
      yield = now_said.yield, time = now_said.time, taste = now_said.taste, cause = now_said.cause
    from jsonb_to_recordset(${JSON.stringify(said)}::jsonb) as now_said
      ("shotId" uuid, dose text, tamp text, yield text, time text, taste text, cause text)
    where shot_said.shot_id = now_said."shotId"`)
}
