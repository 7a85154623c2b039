import type { RecipeRevision, Today, TodayPerson } from '@calm-apron/contract'
import { and, asc, desc, eq, getTableColumns, gt, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import { keptQuery } from '../database/keptQuery.ts'
import { literally } from '../database/literally.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { person, personName, prepared, preparedRevision, shot } from '../database/schema/index.ts'
import { awaitsCall } from '../shots/awaitsCall.ts'
import { toRecipeRevision } from '../prepare/recipeRevision.ts'

const everyone = keptQuery((builder) =>
  builder
    .select({
      personId: person.personId,
      displayName: personName.displayName,
      role: person.role,
      endedAt: person.endedAt,
    })
    .from(person)
    .innerJoin(personName, eq(personName.personId, person.personId))
    .orderBy(asc(personName.displayName), asc(person.personId)),
)

/** People of the academy by name; those whose account has ended too, because records name them. */
export async function listPeople(transaction: AcademyTransaction): Promise<TodayPerson[]> {
  const rows = await everyone(transaction, {})
  return rows.map(({ endedAt, ...rest }) => ({ ...rest, isActive: endedAt === null }))
}

/** Revisions of recipes that were replaced, or put away, since an instant: a shot begun before may still come in by them. */
export async function recipesReplacedSince(
  transaction: AcademyTransaction,
  since: Date,
): Promise<RecipeRevision[]> {
  const rows = await replaced(transaction, { since: since.toISOString() })
  return rows.map(({ revision }) => toRecipeRevision(revision))
}

const newest = alias(preparedRevision, 'newest')
const SINCE = sql`${sql.placeholder('since')}::timestamptz`
const replaced = keptQuery((builder) =>
  builder
    .select({ revision: getTableColumns(preparedRevision) })
    .from(prepared)
    // Whatever of a recipe was changed since, its newest revision was: that alone is looked at, and not all that was ever changed.
    .innerJoin(
      newest,
      and(
        eq(newest.academyId, prepared.academyId),
        eq(newest.preparedId, prepared.preparedId),
        eq(newest.revisionNo, prepared.revisionNo),
      ),
    )
    .innerJoin(
      preparedRevision,
      and(
        eq(preparedRevision.academyId, prepared.academyId),
        eq(preparedRevision.preparedId, prepared.preparedId),
      ),
    )
    .where(
      and(
        eq(prepared.kind, 'recipe'),
        sql`(${preparedRevision.revisionNo} < ${prepared.revisionNo} and ${newest.changedAt} > ${SINCE}
          or ${prepared.archivedAt} > ${SINCE})`,
      ),
    ),
)

/** Shots pulled since an instant whose reading waits for a call, newest first. */
export async function awaitingSince(
  transaction: AcademyTransaction,
  since: Date,
): Promise<Today['awaiting']> {
  const rows = await transaction
    .select({ shotId: shot.shotId, personId: shot.personId, pulledAt: shot.pulledAt })
    .from(shot)
    .where(and(gt(shot.pulledAt, since), awaitsCall))
    .orderBy(desc(shot.pulledAt))
  return rows.map((row) => ({ ...row, pulledAt: row.pulledAt.toISOString() }))
}

/** Shots for real at a machine `m`, each with its facts as they were corrected last. */
const SHOTS_AT_MACHINE = sql`from shot s
      join lateral (select * from shot_revision r where r.academy_id = s.academy_id and r.shot_id = s.shot_id
        order by r.revision_no desc limit 1) facts on true
      where s.academy_id = m.academy_id and s.machine_id = m.prepared_id and not s.is_simulated`
const CUP_G = sql`coalesce(facts.cup_net_g, facts.cup_gross_g - facts.cup_tare_g)`

/** So many of a machine's last stops tell how much still drips after one. */
const LEAD_SHOTS = 10

/** So many of a machine's last cups tell what its programmes give. */
const YIELD_SHOTS = 40

/** What was in the last cups of each machine that stops by itself, in g, by group and recipe, oldest first. */
export async function lastYields(transaction: AcademyTransaction): Promise<Today['yields']> {
  const { rows } = await transaction.execute<{
    machine_id: string
    group_no: number
    recipe_id: string
    cups: number[]
  }>(sql`
    select m.prepared_id as machine_id, last.group_no, recipe.prepared_id as recipe_id,
      array_agg(last.cup_g order by last.pulled_at)::float8[] as cups
    from prepared m
    join prepared_revision its on its.academy_id = m.academy_id and its.prepared_id = m.prepared_id
      and its.revision_no = m.revision_no and its.content ->> 'stopBy' <> 'hand'
    cross join lateral (
      select s.pulled_at, s.group_no, s.recipe_revision_id, ${CUP_G} as cup_g
      ${SHOTS_AT_MACHINE}
        and facts.abandoned is null
      order by s.pulled_at desc limit ${literally(YIELD_SHOTS)}) last
    join prepared_revision recipe on recipe.academy_id = m.academy_id
      and recipe.revision_id = last.recipe_revision_id
    where m.kind = 'machine' and m.archived_at is null and last.cup_g > 0 and last.group_no is not null
    group by m.prepared_id, last.group_no, recipe.prepared_id`)
  return rows.map((row) => ({
    machineId: row.machine_id,
    groupNo: row.group_no,
    recipeId: row.recipe_id,
    cupsG: row.cups,
  }))
}

/** What still dripped after the last stops at each machine, in g, oldest first. */
export async function lastLeads(transaction: AcademyTransaction): Promise<Today['leads']> {
  const { rows } = await transaction.execute<{ machine_id: string; leads: number[] }>(sql`
    select m.prepared_id as machine_id, array_agg(last.lead order by last.pulled_at)::float8[] as leads
    from prepared m
    cross join lateral (
      select s.pulled_at, ${CUP_G} - (facts.noted ->> 'weightAtStopG')::numeric as lead
      ${SHOTS_AT_MACHINE}
      order by s.pulled_at desc limit ${literally(LEAD_SHOTS)}) last
    where m.kind = 'machine' and m.archived_at is null and last.lead >= 0
    group by m.prepared_id`)
  return rows.map((row) => ({ machineId: row.machine_id, leadsG: row.leads }))
}
