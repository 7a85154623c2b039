import { RULES_VERSION, SKILL_RULES, packSeries } from '@calm-apron/core'
import pg from 'pg'

/** A large academy after three years: its people and coffees; shots are as many as are asked for. */
const PEOPLE = 500
const COFFEES = 200
const SHOTS_A_BAG = 55
/** The newest bags are still open. */
const OPEN_BAGS = 12
/** A training has two seats, and each pulls half of its shots. */
const SHOTS_A_TRAINING = 20
const SHOT_EVERY_S = 90
/** Of so many shots one had a scale under its cup, and one was called before its reading. */
const SERIES_EVERY = 3
/** Of so many one has a note; of so many one was heavily dosed, and one pulled with poor water. */
const [NOTED_EVERY, HEAVY_EVERY, RARE_EVERY] = [40, 20, 20_000] as const
/** So many people's skill is known; more learn nowhere at a time. */
const SKILLED = 120
const SHOTS_AT_ONCE = 100_000

/** Instants of shots, the last of a million a day ago; and ids like those that devices make, in the order of their time. */
const HELPERS = `
  create function pg_temp.pulled(n bigint) returns timestamptz language sql stable as
    $$ select date_trunc('day', now()) - interval '1 day' + (n - 1000000) * interval '${SHOT_EVERY_S} seconds' $$;
  create function pg_temp.id(kind text, n bigint) returns uuid language sql immutable as $$
    select (lpad(to_hex(1600000000000 + n * ${SHOT_EVERY_S}000), 12, '0') || '7' || substr(md5(kind || n), 1, 3)
      || 'a' || substr(md5(kind || n), 4, 15))::uuid $$;
  create function pg_temp.pupil(n bigint) returns uuid language sql immutable as
    $$ select pg_temp.id('person', (n / ${SHOTS_A_TRAINING} * 2 + n % 2) % ${PEOPLE}) $$;
  create temp view academy_here as select academy_id, (select person_id from public.person
    where academy_id = a.academy_id and role = 'trainer' limit 1) as trainer_id from public.academy a where is_demo;
  create temp table template as
    select *, row_number() over (order by pulled_at) - 1 as no, count(*) over () as many from public.shot
    where person_id <> all (select pg_temp.id('person', n) from generate_series(0, ${PEOPLE - 1}) n);
  create temp table template_facts as
    select r.*, t.no, t.many from public.shot_revision r join template t using (academy_id, shot_id) where r.revision_no = 1;
  analyze template; analyze template_facts`

/** What of the shot it copies is another in the copy; all else stays as it was. */
const OTHER_SHOT = {
  shot_id: "pg_temp.id('shot', n)",
  person_id: 'pg_temp.pupil(n)',
  bag_id: `pg_temp.id('bag', n / ${SHOTS_A_BAG})`,
  training_id: `pg_temp.id('training', n / ${SHOTS_A_TRAINING})`,
  pulled_at: 'pg_temp.pulled(n)',
}
const OTHER_REVISION = {
  revision_id: "pg_temp.id('shot', n)",
  shot_id: "pg_temp.id('shot', n)",
  judged_by: 'trainer_id',
  recorded_at: 'pg_temp.pulled(n)',
  received_at: 'pg_temp.pulled(n)',
  note_text_id: `case when n % ${NOTED_EVERY} = 0 then pg_temp.id('note', n) end`,
}

/** A list of a table's columns, and what each holds in a copy of the row `c`. */
async function copying(
  client: pg.Client,
  table: string,
  other: Readonly<Record<string, string>>,
): Promise<{ columns: string; values: string }> {
  const { rows } = await client.query<{ name: string }>(
    'select attname as name from pg_attribute where attrelid = $1::regclass and attnum > 0 and not attisdropped',
    [`public.${table}`],
  )
  return {
    columns: rows.map(({ name }) => name).join(', '),
    values: rows.map(({ name }) => other[name] ?? `c.${name}`).join(', '),
  }
}

/**
 * Fills the demo's academy with the shots numbered `from` to `to` (exclusive): copies of its own, pulled by 500 trainees
 * in trainings of two, from bags that were opened one after the other, each with its trace, some with series and calls.
 * Begun from 0 and gone on with from where it ended, it makes the same academy as at once.
 * @param superuserUrl foreign keys and row security are passed by, which only a superuser may
 */
export async function fillAcademy(superuserUrl: string, from: number, to: number): Promise<void> {
  const client = new pg.Client({ connectionString: superuserUrl })
  await client.connect()
  try {
    await client.query(`set session_replication_role = replica; set synchronous_commit = off; ${HELPERS}`)
    await addPeople(client)
    await addThings(client, from, to)
    await addTrainings(client, from, to)
    for (let first = from; first < to; first += SHOTS_AT_ONCE)
      await addShots(client, [first, Math.min(first + SHOTS_AT_ONCE, to) - 1])
    await addSkill(client)
    // In life the database counts its rows by itself, within a minute, and writes down what is new in passing.
    await client.query('vacuum analyze')
    await client.query('checkpoint')
  } finally {
    await client.end()
  }
}

async function addPeople(client: pg.Client): Promise<void> {
  const people = `generate_series(0, ${PEOPLE - 1}) n`
  await client.query(`
    insert into person (academy_id, person_id, role)
      select academy_id, pg_temp.id('person', n), 'trainee' from academy_here, ${people} on conflict do nothing;
    insert into person_name (academy_id, person_id, display_name)
      select academy_id, pg_temp.id('person', n), 'Trainee ' || n from academy_here, ${people} on conflict do nothing`)
}

/** What one of the demo can do, as many times over as people learn. */
async function addSkill(client: pg.Client): Promise<void> {
  await client.query(`
    insert into skill (academy_id, person_id, changes, changed_at, is_behind, worked_out_at, rules_version, figures, brief, beside)
      select s.academy_id, pg_temp.id('person', n), 1, now(), false, now(), ${SKILL_RULES}, s.figures, s.brief, s.beside
      from (select * from skill where rules_version = ${SKILL_RULES} limit 1) s, generate_series(0, ${SKILLED - 1}) n
      on conflict do nothing`)
}

async function addThings(client: pg.Client, from: number, to: number): Promise<void> {
  await copyFirst(client, 'coffee', [0, COFFEES - 1], 'null::uuid', `'{}'`)
  const newest = Math.floor((to - 1) / SHOTS_A_BAG)
  const isOpen = `n > ${newest - OPEN_BAGS}`
  await copyFirst(
    client,
    'bag',
    [Math.floor(from / SHOTS_A_BAG), newest],
    `pg_temp.id('coffee', n % ${COFFEES})`,
    `jsonb_build_object('weighed', null, 'roastedOn', '2026-08-20', 'openedOn', '2026-09-01', 'finishedOn', case when ${isOpen} then null else '2026-10-01' end)`,
  )
}

/** Numbered copies of the first thing of a kind, with what is another in their contents. */
async function copyFirst(
  client: pg.Client,
  kind: string,
  [first, last]: readonly [number, number],
  parent: string,
  content: string,
): Promise<void> {
  const numbers = `generate_series(${first}, ${last}) n`
  const original = `(select p.*, r.content, r.content_version from prepared p join prepared_revision r using (academy_id, prepared_id, revision_no)
    where p.kind = '${kind}' order by p.name_key limit 1) c`
  await client.query(`
    insert into prepared_revision (academy_id, revision_id, prepared_id, revision_no, content, content_version, body_digest, changed_at)
      select academy_id, pg_temp.id('${kind}', n), pg_temp.id('${kind}', n), 1,
        content || jsonb_build_object('name', '${kind} ' || n) || ${content}, content_version, '', now() - interval '1 year'
      from ${original}, ${numbers} on conflict do nothing;
    insert into prepared (academy_id, prepared_id, kind, parent_id, revision_no, name_key, search_text, over_on)
      select academy_id, pg_temp.id('${kind}', n), kind, ${parent}, 1, '${kind} ' || n, '${kind} ' || n || ' ' || search_text,
        ((content || ${content}) ->> 'finishedOn')::date
      from ${original}, ${numbers} on conflict do nothing`)
}

/** Each was started and ended by the trainer. */
async function addTrainings(client: pg.Client, from: number, to: number): Promise<void> {
  const seat = (
    side: number,
  ) => `jsonb_build_object('personId', pg_temp.pupil(n * ${SHOTS_A_TRAINING} + ${side}),
    'machineId', null, 'groupNo', 0)`
  const setup = `jsonb_build_object('barId', bar_id, 'purpose', 'practice', 'recipeRevisionId', recipe_revision_id,
    'routineId', null, 'grinderId', grinder_id, 'bagId', null, 'grindOwner', 'trainer', 'seats', jsonb_build_array(${seat(0)}, ${seat(1)}))`
  const left = `'{"rinsed": true, "wiped": true, "handleBack": true}'::jsonb`
  const event = (kind: string, after: string, shotsLater: number, happening: string) => `
    select academy_id, pg_temp.id('${kind}', n), pg_temp.id('training', n), trainer_id, trainer_id, ${after},
      pg_temp.pulled(n * ${SHOTS_A_TRAINING} + ${shotsLater}), pg_temp.pulled(n * ${SHOTS_A_TRAINING} + ${shotsLater}), '${kind}',
      jsonb_build_object('kind', '${kind}') || ${happening}, ''
    from academy_here, (select bar_id, recipe_revision_id, grinder_id from template where no = 0) first,
      generate_series(${Math.floor(from / SHOTS_A_TRAINING)}, ${Math.floor((to - 1) / SHOTS_A_TRAINING)}) n`
  await client.query(`
    insert into training_event (academy_id, event_id, training_id, by, sent_by, after_event_id, at, received_at, kind, happening, body_digest)
    ${event('started', 'null::uuid', 0, `jsonb_build_object('setup', ${setup})`)}
    union all ${event('ended', `pg_temp.id('started', n)`, SHOTS_A_TRAINING, `jsonb_build_object('left', ${left})`)}
    on conflict do nothing`)
}

async function addShots(client: pg.Client, [first, last]: readonly [number, number]): Promise<void> {
  const numbers = `generate_series(${first}, ${last}) n`
  const shots = await copying(client, 'shot', OTHER_SHOT)
  const facts = await copying(client, 'shot_revision', OTHER_REVISION)
  const factsOf = `${numbers} join template_facts c on c.no = n % c.many, (select trainer_id from academy_here) here`
  await client.query(
    `insert into shot (${shots.columns}) select ${shots.values} from ${numbers} join template c on c.no = n % c.many`,
  )
  await client.query(`
    insert into free_text (academy_id, text_id, about_id, written_by, content)
      select academy_id, pg_temp.id('note', n), pg_temp.pupil(n), trainer_id, case when n % ${RARE_EVERY} = 0 then 'heron' else 'gull' end || ' ' || n
      from academy_here, ${numbers} where n % ${NOTED_EVERY} = 0;
    insert into shot_said (academy_id, shot_id, pulled_at, rules_version, dose, cause)
      select academy_id, pg_temp.id('shot', n), pg_temp.pulled(n), ${RULES_VERSION},
        case when n % ${HEAVY_EVERY} = 0 then 'off' else 'on' end,
        case when n % ${RARE_EVERY} = 0 then 'poor-water' when n % ${HEAVY_EVERY} = 0 then 'dose-high' else 'none' end
      from academy_here, ${numbers}`)
  await client.query(`insert into shot_revision (${facts.columns}) select ${facts.values} from ${factsOf}`)
  await client.query(
    `insert into shot_series (academy_id, shot_id, weight)
     select academy_id, pg_temp.id('shot', n), $1 from academy_here, ${numbers} where n % ${SERIES_EVERY} = 0`,
    [SERIES],
  )
  await client.query(`
    insert into call (academy_id, call_id, shot_id, person_id, stage, verdict, called_at, rules_version, received_at, body_digest)
      select academy_id, pg_temp.id('call', n), pg_temp.id('shot', n), pg_temp.pupil(n), 'final', 'balanced', pg_temp.pulled(n), 1,
        pg_temp.pulled(n), '' from academy_here, ${numbers} where n % ${SERIES_EVERY} = 0;
    insert into audit (academy_id, audit_id, at, kind, actor_id, person_id, subject_id)
      select academy_id, pg_temp.id('audit', n), pg_temp.pulled(n), 'shot-recorded', trainer_id, pg_temp.pupil(n),
        pg_temp.id('shot', n) from ${factsOf};
    insert into audit (academy_id, audit_id, at, kind, actor_id, person_id, subject_id)
      select academy_id, pg_temp.id('renamed', n), pg_temp.pulled(n), 'person-renamed', trainer_id, pg_temp.pupil(n), pg_temp.pupil(n)
        from academy_here, ${numbers} where n % ${RARE_EVERY} = 0`)
}

/** What a scale saw of a shot of half a minute, ten times a second. */
const SERIES = packSeries(
  Array.from({ length: 300 }, (_, tick) => ({ timeS: tick / 10, weightG: Math.max(0, (tick - 70) * 0.16) })),
)
