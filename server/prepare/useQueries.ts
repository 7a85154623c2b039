import type { BagUse, CoffeePace } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import { literally } from '../database/literally.ts'
import type { AcademyTransaction } from '../database/pool.ts'

/** Days over which a coffee's pace is taken. */
const PACE_DAYS = 14
/**
 * So many of a bag's newest shots are looked at: more than any bag holds, so that a bag nobody ever finished costs no
 * more than one that was.
 */
const SHOTS_OF_A_BAG = 400

/** What of late was ground from bags, and how much of each coffee a day. */
export interface CoffeeUsed {
  bags: BagUse[]
  pace: CoffeePace[]
}

/**
 * What was ground from each unfinished bag since it was last weighed: the dose of each shot (the recipe's, where none was
 * weighed), and the grinder's purge for each shot that was purged because the setting had changed. And the pace of each
 * coffee over the last two weeks, of bags that are empty since as well.
 *
 * A bag is asked for as a range of one, so that its newest shots are read off the index of bags: told apart by equality the
 * planner drops the bag from the order and walks all shots of the academy for each bag that has few. And bags that are open
 * and those that ended of late are two questions, each read off its own index: asked as one, every bag there ever was is read.
 */
export async function coffeeUsed(transaction: AcademyTransaction, now: Date): Promise<CoffeeUsed> {
  const { rows } = await transaction
    .execute<{
      bag_id: string
      coffee_id: string
      is_in_use: boolean
      shots: number
      ground_g: number
      late_g: number
    }>(sql`
    with recent as materialized (
      select p.* from prepared p where p.kind = 'bag' and p.over_on is null
      union all select p.* from prepared p where p.kind = 'bag'
        and p.over_on > (${now.toISOString()}::timestamptz - make_interval(days => ${PACE_DAYS + 1}))::date
    ), bag as (
      select b.academy_id, b.prepared_id as bag_id, b.parent_id as coffee_id,
        b.archived_at is null and b.over_on is null as is_in_use,
        coalesce((r.content #>> '{weighed,at}')::timestamptz, '-infinity') as weighed_at
      from recent b join prepared_revision r on r.academy_id = b.academy_id
        and r.prepared_id = b.prepared_id and r.revision_no = b.revision_no
    ), grinder as (
      select g.academy_id, g.prepared_id as grinder_id, (r.content ->> 'purgeG')::numeric as purge_g
      from prepared g join prepared_revision r on r.academy_id = g.academy_id
        and r.prepared_id = g.prepared_id and r.revision_no = g.revision_no
      where g.kind = 'grinder'
    ), ground as (
      select bag.bag_id, bag.coffee_id, bag.is_in_use, bag.weighed_at, s.pulled_at,
        coalesce(facts.dose_net_g, facts.dose_gross_g - facts.dose_tare_g, (
          select (recipe.content #>> '{targets,doseG}')::numeric from prepared_revision recipe
          where recipe.academy_id = s.academy_id and recipe.revision_id = s.recipe_revision_id))
        + case when facts.grinder_purged and facts.grind_setting is distinct from
            lag(facts.grind_setting) over (partition by bag.bag_id, s.grinder_id order by s.pulled_at, s.shot_id)
          then coalesce(grinder.purge_g, 0) else 0 end as ground_g
      from bag
      join lateral (
        select shot.academy_id, shot.shot_id, shot.pulled_at, shot.grinder_id, shot.recipe_revision_id from shot
        where shot.academy_id = bag.academy_id and shot.bag_id >= bag.bag_id and shot.bag_id <= bag.bag_id
          and not shot.is_simulated
          and (bag.is_in_use or shot.pulled_at > ${now.toISOString()}::timestamptz - make_interval(days => ${PACE_DAYS}))
        order by shot.bag_id desc, shot.pulled_at desc limit ${literally(SHOTS_OF_A_BAG)}) s on true
      join lateral (
        select dose_net_g, dose_gross_g, dose_tare_g, grinder_purged, grind_setting from shot_revision r
        where r.academy_id = s.academy_id and r.shot_id = s.shot_id order by r.revision_no desc limit 1) facts on true
      left join grinder on grinder.academy_id = s.academy_id and grinder.grinder_id = s.grinder_id
    )
    select bag_id, coffee_id, is_in_use,
      (count(*) filter (where pulled_at > weighed_at))::int as shots,
      coalesce(sum(ground_g) filter (where pulled_at > weighed_at), 0)::float8 as ground_g,
      coalesce(sum(ground_g) filter (
        where pulled_at > ${now.toISOString()}::timestamptz - make_interval(days => ${PACE_DAYS})), 0)::float8 as late_g
    from ground group by bag_id, coffee_id, is_in_use`)
    .execute()
  return {
    bags: rows
      .filter((row) => row.is_in_use && row.shots > 0)
      .map((row) => ({ bagId: row.bag_id, shots: row.shots, groundG: row.ground_g })),
    pace: paceOf(rows.map((row) => ({ coffeeId: row.coffee_id, grams: row.late_g }))),
  }
}

function paceOf(late: readonly { coffeeId: string; grams: number }[]): CoffeePace[] {
  const grams = new Map<string, number>()
  for (const each of late) grams.set(each.coffeeId, (grams.get(each.coffeeId) ?? 0) + each.grams)
  return [...grams]
    .filter(([, sum]) => sum > 0)
    .map(([coffeeId, sum]) => ({ coffeeId, gramsPerDay: sum / PACE_DAYS }))
}
