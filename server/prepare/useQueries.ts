import type { BagUse, CoffeePace } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'

/** Days over which a coffee's pace is taken. */
const PACE_DAYS = 14

/**
 * What was ground from each unfinished bag since it was last weighed: the dose of each shot (the recipe's, where none was
 * weighed), and the grinder's purge for each shot that was purged because the setting had changed.
 */
export async function useOfBags(transaction: AcademyTransaction): Promise<BagUse[]> {
  const { rows } = await transaction.execute<{ bag_id: string; shots: number; ground_g: number }>(sql`
    with ground as (${groundByShot()})
    select bag_id, count(*)::int as shots, sum(ground_g)::float8 as ground_g
    from ground where pulled_at > weighed_at and is_in_use group by bag_id`)
  return rows.map((row) => ({ bagId: row.bag_id, shots: row.shots, groundG: row.ground_g }))
}

/** What was used of each coffee a day, over the last two weeks, of bags that are empty since as well. */
export async function paceOfCoffees(transaction: AcademyTransaction, now: Date): Promise<CoffeePace[]> {
  const { rows } = await transaction.execute<{ coffee_id: string; grams: number }>(sql`
    with ground as (${groundByShot()})
    select coffee_id, sum(ground_g)::float8 as grams from ground
    where pulled_at > ${now.toISOString()}::timestamptz - make_interval(days => ${PACE_DAYS}) group by coffee_id`)
  return rows.map((row) => ({ coffeeId: row.coffee_id, gramsPerDay: row.grams / PACE_DAYS }))
}

function groundByShot() {
  return sql`
    select s.bag_id, b.parent_id as coffee_id, s.pulled_at,
      b.archived_at is null and bag_now.content ->> 'finishedOn' is null as is_in_use,
      coalesce((bag_now.content #>> '{weighed,at}')::timestamptz, '-infinity') as weighed_at,
      coalesce(facts.dose_net_g, facts.dose_gross_g - facts.dose_tare_g, (recipe.content #>> '{targets,doseG}')::numeric)
      + case when facts.grinder_purged and facts.grind_setting is distinct from
          lag(facts.grind_setting) over (partition by s.bag_id, s.grinder_id order by s.pulled_at, s.shot_id)
        then coalesce((grinder_now.content ->> 'purgeG')::numeric, 0) else 0 end as ground_g
    from shot s
    join lateral (select * from shot_revision r where r.academy_id = s.academy_id and r.shot_id = s.shot_id
      order by r.revision_no desc limit 1) facts on true
    join prepared_revision recipe on recipe.academy_id = s.academy_id and recipe.revision_id = s.recipe_revision_id
    join prepared b on b.academy_id = s.academy_id and b.prepared_id = s.bag_id
    join prepared_revision bag_now on bag_now.academy_id = b.academy_id and bag_now.prepared_id = b.prepared_id
      and bag_now.revision_no = b.revision_no
    left join prepared g on g.academy_id = s.academy_id and g.prepared_id = s.grinder_id
    left join prepared_revision grinder_now on grinder_now.academy_id = g.academy_id
      and grinder_now.prepared_id = g.prepared_id and grinder_now.revision_no = g.revision_no
    where not s.is_simulated`
}
