import type pg from 'pg'

/** One statement of a request, by hand; `values` may go by what those before it returned. */
export interface RawStatement {
  text: string
  values: (before: readonly pg.QueryResult[]) => unknown[]
}

const NEWEST = `
  join lateral (select * from shot_revision r where r.academy_id = shot.academy_id and r.shot_id = shot.shot_id
    order by r.revision_no desc limit 1) newest on true
  left join free_text reason on reason.text_id = newest.reason_text_id
  left join free_text note on note.text_id = newest.note_text_id
  left join claim on claim.revision_id = newest.revision_id`

/** The rows that a page of shots is made of. @param no of how many statements before them */
export function shotRows(where: string, values: readonly unknown[], limit: number, no = 0): RawStatement[] {
  return [
    {
      text: `select shot.*, newest.*, reason.content as reason, note.content as note_text, claim.claimed_at, claim.confirmed_at, claim.is_denied
        from shot ${NEWEST} where ${where} order by shot.pulled_at desc, shot.shot_id desc limit ${limit}`,
      values: () => [...values],
    },
    ...besideShots(no),
  ]
}

/** What belongs to the shots that statement `no` returned: series, slips, recipes. */
function besideShots(no: number): RawStatement[] {
  const ids = (before: readonly pg.QueryResult[], field: string) => [
    ...new Set(before[no]?.rows.map((row: Record<string, unknown>) => row[field])),
  ]
  return [
    {
      text: 'select * from shot_series where shot_id = any ($1)',
      values: (before) => [ids(before, 'shot_id')],
    },
    {
      text: 'select distinct on (shot_id, side) * from slip where shot_id = any ($1) order by shot_id, side, revision_no desc',
      values: (before) => [ids(before, 'shot_id')],
    },
    {
      text: 'select * from prepared_revision where revision_id = any ($1)',
      values: (before) => [ids(before, 'recipe_revision_id')],
    },
  ]
}

/** The rows that one shot with its corrections is made of. */
export function oneShotRows(shotId: string): RawStatement[] {
  return [
    {
      text: `select shot.*, r.*, reason.content as reason, note.content as note_text, claim.claimed_at, recipe.content as recipe
        from shot join shot_revision r on r.academy_id = shot.academy_id and r.shot_id = shot.shot_id
        join prepared_revision recipe on recipe.revision_id = shot.recipe_revision_id
        left join free_text reason on reason.text_id = r.reason_text_id left join free_text note on note.text_id = r.note_text_id
        left join claim on claim.revision_id = r.revision_id
        where shot.shot_id = $1 order by r.revision_no desc`,
      values: () => [shotId],
    },
    ...besideShots(0).slice(0, 2),
  ]
}

/** The rows that a page of one kind of prepared things is made of. */
export function preparedRows(
  kind: string,
  limit: number,
  after: readonly [string, string] | null,
): RawStatement[] {
  return [
    {
      text: `select * from prepared p join prepared_revision r on r.academy_id = p.academy_id and r.prepared_id = p.prepared_id
          and r.revision_no = p.revision_no
        where p.kind = $1 and p.archived_at is null ${after === null ? '' : 'and (p.name_key, p.prepared_id) > ($2, $3::uuid)'}
        order by p.name_key, p.prepared_id limit ${limit}`,
      values: () => [kind, ...(after ?? [])],
    },
  ]
}

/** The rows that one training is made of. */
export function trainingRows(trainingId: string): RawStatement[] {
  return [
    {
      text: 'select * from training_event where training_id = $1 order by at, event_id',
      values: () => [trainingId],
    },
  ]
}

/** A day's shots tell what the bar does to everybody. */
const OF_DAY = "shot.pulled_at >= now() - interval '8 hours' and not shot.is_simulated"

/** The rows that everyone's skill is made of, or one person's. */
export function skillRows(personId: string | null): RawStatement[] {
  const [what, where] =
    personId === null ? ['brief', "role = 'trainee'"] : ['figures, beside', 'person_id = $1']
  return [
    {
      text: `select person_id, worked_out_at, is_behind, rules_version, ${what} from person
        left join skill using (academy_id, person_id) where ${where}`,
      values: () => (personId === null ? [] : [personId]),
    },
    ...(personId === null ? shotRows(OF_DAY, [], 300, 1) : []),
  ]
}

/** The rows that a page of the trail, or of one kind of it, is made of. */
export function auditRows(limit: number, kind: string | null = null): RawStatement[] {
  return [
    {
      text: `select audit.*, actor.display_name as actor_name, person.display_name, why.content from audit
        left join person_name actor on actor.person_id = audit.actor_id left join person_name person on person.person_id = audit.person_id
        left join free_text why on why.text_id = audit.why_text_id
        ${kind === null ? '' : 'where audit.kind = $1'} order by at desc, audit_id desc limit ${limit}`,
      values: () => (kind === null ? [] : [kind]),
    },
  ]
}

/** Runs statements in the kind of transaction that a request has: the academy behind a session, who it is, the rows. */
export async function runRaw(
  client: pg.Client,
  tokenHash: string,
  statements: readonly RawStatement[],
): Promise<number> {
  await client.query('begin')
  await client.query(
    "select set_config('calm_apron.academy_id', academy_behind('session', $1)::text, true)",
    [tokenHash],
  )
  await client.query(
    'select * from session join person using (academy_id, person_id) where token_hash = $1',
    [tokenHash],
  )
  const done: pg.QueryResult[] = []
  for (const { text, values } of statements) done.push(await client.query(text, values(done)))
  await client.query('commit')
  return done[0]?.rowCount ?? 0
}

/** How the database goes about the first of these statements. */
export async function planOf(
  client: pg.Client,
  tokenHash: string,
  [first]: readonly RawStatement[],
): Promise<string[]> {
  if (first === undefined) return []
  const explained = { ...first, text: `explain (analyze, costs off, timing off) ${first.text}` }
  await client.query('begin')
  await client.query(
    "select set_config('calm_apron.academy_id', academy_behind('session', $1)::text, true)",
    [tokenHash],
  )
  const { rows } = await client.query<{ 'QUERY PLAN': string }>(explained.text, explained.values([]))
  await client.query('commit')
  return rows.map((row) => row['QUERY PLAN'])
}
