import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { KINDS, PREPARED_KINDS, id } from '@calm-apron/contract'
import { type TestDatabase, createTestDatabase } from '@calm-apron/scripts/testing'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { MIGRATIONS_FOLDER } from './migrate.ts'

/** What was kept in tables of its own before, moved over by the migration that made `prepared`. */
let database: TestDatabase
let owner: pg.Client
const ACADEMY = '019a5c00-0000-7001-8000-0000000000aa'
const of = (kind: string, no = 1) => `019a5c00-0000-7${kind}-8000-00000000000${no}`
const BEFORE = 5

beforeAll(async () => {
  database = await createTestDatabase('empty')
  owner = new pg.Client({ connectionString: database.ownerUrl })
  await owner.connect()
  await owner.query('drop schema public, drizzle, doors cascade; create schema public')
  await migrateFirst(BEFORE)
  await owner.query(`select set_config('calm_apron.academy_id', '${ACADEMY}', false)`)
  await owner.query(FORMER)
  await migrate(drizzle(owner), { migrationsFolder: MIGRATIONS_FOLDER })
})
afterAll(async () => {
  await owner.end()
  await database.remove()
})

/** Applies so many of the migrations, as a server of that time did. */
async function migrateFirst(count: number): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'calm-apron-migrations-'))
  try {
    cpSync(MIGRATIONS_FOLDER, folder, { recursive: true })
    const path = join(folder, 'meta/_journal.json')
    const journal = JSON.parse(readFileSync(path, 'utf8')) as { entries: unknown[] }
    writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }))
    await migrate(drizzle(owner), { migrationsFolder: folder })
  } finally {
    rmSync(folder, { recursive: true })
  }
}

const FORMER = `
  insert into academy (academy_id, name, town, time_zone) values ('${ACADEMY}', 'Former', 'Ostrel', 'Atlantic/Azores');
  insert into person (academy_id, person_id, role) values ('${ACADEMY}', '${of('002')}', 'trainee');
  insert into recipe_revision (academy_id, recipe_revision_id, recipe_id, revision_no, name, dose_g, dose_tolerance_g, yield_g,
    yield_tolerance_g, clock, time_min_s, time_max_s, first_drop_min_s, first_drop_max_s, taste_tolerance, sweet_min) values
    ('${ACADEMY}', '${of('004', 1)}', '${of('003')}', 1, 'House double', 18.4, 0.3, 39, 2, 'pump', 26, 32, 5, 10, 2, 5),
    ('${ACADEMY}', '${of('004', 2)}', '${of('003')}', 2, 'House Double', 18.6, 0.3, 39, 2, 'pump', 26, 32, 5, 10, 2, 5);
  insert into coffee values ('${ACADEMY}', '${of('005')}', 'Lantern Row', 'Saltgate', 6, 22, 36);
  insert into bag values ('${ACADEMY}', '${of('006')}', '${of('005')}', '2026-11-12');
  insert into bar values ('${ACADEMY}', '${of('007')}', 'Quay room', 'Two-group');
  insert into grinder values ('${ACADEMY}', '${of('008')}', '${of('007')}', 'Quay grinder', 0, 40, 0.5, 'higher');
  insert into vessel values ('${ACADEMY}', '${of('009')}', '${of('007')}', 'Portafilter 1', 'portafilter', 586.4);
  insert into shot (academy_id, shot_id, person_id, recipe_revision_id, bar_id, grinder_id, bag_id, pulled_at) values
    ('${ACADEMY}', '${of('00a')}', '${of('002')}', '${of('004', 1)}', '${of('007')}', '${of('008')}', '${of('006')}', now());`

const rowsOf = async (query: string) => (await owner.query<Record<string, unknown>>(query)).rows

test('everything is there again, each in a shape that the contract takes', async () => {
  const rows = await rowsOf(`select p.kind, p.prepared_id, r.content from prepared p
    join prepared_revision r on r.academy_id = p.academy_id and r.prepared_id = p.prepared_id`)
  expect(rows.map(({ kind }) => kind).sort()).toEqual(
    ['bag', 'bar', 'coffee', 'grinder', 'machine', 'recipe', 'recipe', 'vessel'].sort(),
  )
  for (const { kind, content, prepared_id: preparedId } of rows) {
    const known = PREPARED_KINDS.find((each) => each === kind) ?? 'recipe'
    expect([kind, KINDS[known].content.safeParse(content).error?.issues]).toEqual([kind, undefined])
    expect([kind, id.safeParse(preparedId).success]).toEqual([kind, true])
  }
})

test('numbers come over as they were, and what belongs to something still does', async () => {
  const rows = await rowsOf(`select p.kind, p.parent_id, p.revision_no, p.name_key, r.content from prepared p
    join prepared_revision r on r.academy_id = p.academy_id and r.prepared_id = p.prepared_id and r.revision_no = p.revision_no`)
  const kindOf = (kind: string) => rows.find((row) => row['kind'] === kind)
  expect(kindOf('recipe')).toMatchObject({
    revision_no: 2,
    name_key: 'house double',
    content: { targets: { doseG: 18.6, clock: 'pump' } },
  })
  expect(kindOf('bag')).toMatchObject({ parent_id: of('005'), content: { roastedOn: '2026-11-12' } })
  expect(kindOf('grinder')).toMatchObject({
    parent_id: of('007'),
    content: { settingStep: 0.5, finerIs: 'higher' },
  })
  expect(kindOf('vessel')).toMatchObject({ parent_id: of('007'), content: { emptyG: 586.4 } })
  expect(kindOf('machine')).toMatchObject({ parent_id: of('007'), content: { name: 'Two-group' } })
})

test('a shot points at the revision it was judged by, and can’t point at nothing', async () => {
  const [row] = await rowsOf(
    `select r.revision_no from shot s join prepared_revision r on r.revision_id = s.recipe_revision_id`,
  )
  expect(row).toEqual({ revision_no: 1 })
  await expect(owner.query(`update shot set recipe_revision_id = gen_random_uuid()`)).rejects.toMatchObject({
    code: '23503',
  })
})

test('the former tables are gone, and the new ones keep academies apart', async () => {
  const tables = await rowsOf(
    `select relname, relforcerowsecurity from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'`,
  )
  const names = tables.map(({ relname }) => relname)
  for (const gone of ['recipe_revision', 'coffee', 'bag', 'bar', 'grinder', 'vessel'])
    expect(names).not.toContain(gone)
  expect(tables.filter(({ relforcerowsecurity }) => relforcerowsecurity !== true)).toEqual([])
})
