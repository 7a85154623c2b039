import type pg from 'pg'

const COPY_SHOTS = `
  insert into shot (academy_id, shot_id, person_id, recipe_revision_id, bar_id, grinder_id, bag_id, pulled_at, stood)
  select academy_id, gen_random_uuid(), person_id, recipe_revision_id, bar_id, grinder_id, bag_id,
    pulled_at - n * interval '4 minutes', stood
  from (select * from shot order by pulled_at desc limit 1) newest, generate_series(1, $1) n`

const COPY_FACTS = `
  insert into shot_revision (academy_id, revision_id, shot_id, revision_no, body_digest, recorded_at, received_at,
    grind_setting, dose_net_g, first_drop, first_drop_s, stop_s, times_estimated, cup_net_g)
  select academy_id, shot_id, shot_id, 1, '', pulled_at, pulled_at, 14, 18.2, 'marked', 7, 28, false, 38.4
  from shot where not exists (select from shot_revision r where r.shot_id = shot.shot_id)`

/** Fills the demo's shot book with so many more shots of one person. */
export async function insertShots(pool: pg.Pool, count: number): Promise<void> {
  await pool.query('begin')
  await pool.query("select set_config('calm_apron.academy_id', academy_behind('demo', '')::text, true)")
  await pool.query(COPY_SHOTS, [count])
  await pool.query(COPY_FACTS)
  await pool.query('commit')
}
