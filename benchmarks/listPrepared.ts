import { startTestApp } from '@calm-apron/scripts/testing'
import pg from 'pg'
import { comeIn } from './comeIn.ts'
import { time } from './measure.ts'

const RUNS = 200
const FEW = 20
const MANY = { coffee: 500, recipe: 300 } as const
const PAGE = 20

/** So many more of a kind, each a copy of the demo's first with a name of its own. */
const COPY_THINGS = `
  with first as (
    select p.*, r.content from prepared p
    join prepared_revision r on r.academy_id = p.academy_id and r.prepared_id = p.prepared_id and r.revision_no = p.revision_no
    where p.kind = $1 order by p.name_key limit 1
  ), made as (
    insert into prepared (academy_id, prepared_id, kind, revision_no, name_key, search_text)
    select academy_id, overlay(gen_random_uuid()::text placing '7' from 15 for 1)::uuid, kind, 1,
      'copy ' || lpad(n::text, 4, '0'), 'copy ' || lpad(n::text, 4, '0') || ' ' || search_text
    from first, generate_series(1, $2) n returning *
  )
  insert into prepared_revision (academy_id, revision_id, prepared_id, revision_no, content, body_digest, changed_at)
  select made.academy_id, made.prepared_id, made.prepared_id, 1,
    jsonb_set(first.content, '{name}', to_jsonb(made.name_key)), '', now()
  from made, first`

const app = await startTestApp('demo')
const pool = new pg.Pool({ connectionString: app.database.appUrl, max: 1 })

async function fill(kind: string, count: number): Promise<void> {
  await pool.query('begin')
  await pool.query("select set_config('calm_apron.academy_id', academy_behind('demo', '')::text, true)")
  await pool.query(COPY_THINGS, [kind, count])
  await pool.query('commit')
}

try {
  const cookie = await comeIn(app.url, 'trainer')
  const ask = (path: string) => async () => {
    const answer = await fetch(`${app.url}/api/v1${path}`, { headers: { Cookie: cookie } })
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
    await answer.text()
  }
  const PATHS = [
    `/prepared?kind=coffee&limit=${PAGE}`,
    `/prepared?kind=coffee&limit=${PAGE}&search=0042`,
    `/prepared?kind=recipe&limit=${PAGE}`,
    '/today',
  ]
  await fill('coffee', FEW)
  await fill('recipe', FEW)
  const few = []
  for (const path of PATHS) few.push(await time(RUNS, ask(path)))
  for (const [kind, count] of Object.entries(MANY)) await fill(kind, count)
  console.log(
    `\n${MANY.coffee} more coffees and ${MANY.recipe} more recipes, against ${FEW} of each in the same run:`,
  )
  for (const [index, path] of PATHS.entries()) {
    const many = await time(RUNS, ask(path))
    const baseline = few[index]?.medianMs ?? Number.NaN
    const ms = `${baseline.toFixed(1)} → ${many.medianMs.toFixed(1)} ms median`
    console.log(`  ${path.padEnd(48)} ${ms}, ratio ${(many.medianMs / baseline).toFixed(2)}`)
  }
} finally {
  await pool.end()
  await app.remove()
}
