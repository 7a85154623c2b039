import { createTestDatabase, type TestDatabase } from '@calm-apron/scripts/testing'
import { and, eq, sql } from 'drizzle-orm'
import pg from 'pg'
import { importAcademy } from '../academies/importAcademy.ts'
import { shotPageQuery } from '../shots/queries.ts'
import { listPeople } from '../today/queries.ts'
import { DEMO } from '../testing/serve.ts'
import { behindDoor, inAcademy } from './inAcademy.ts'
import { migrateAsOwner } from './migrate.ts'
import { databaseOver, openPool } from './pool.ts'
import { shot } from './schema/index.ts'
import { checkReadiness } from './readiness.ts'

let database: TestDatabase
let pool: pg.Pool
let owner: pg.Client

beforeAll(async () => {
  database = await createTestDatabase('demo')
  pool = openPool(database.appUrl, () => undefined)
  owner = new pg.Client({ connectionString: database.ownerUrl })
  await owner.connect()
})
afterAll(async () => {
  await pool.end()
  await owner.end()
  await database.remove()
})

const OTHER = '019a5c00-0000-7001-8000-00000000ffff'
const otherAcademy = { ...DEMO, academy: { ...DEMO.academy, academyId: OTHER, name: 'Another house' } }

test('every table carries academy_id and forces row security', async () => {
  const { rows } = await owner.query<{ table: string; forced: boolean; tenant: boolean }>(`
    select c.relname as table, c.relrowsecurity and c.relforcerowsecurity as forced,
      exists (select from pg_attribute a where a.attrelid = c.oid and a.attname = 'academy_id') as tenant
    from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind = 'r'`)
  expect(rows.length).toBeGreaterThanOrEqual(10)
  expect(rows.filter(({ forced, tenant }) => !forced || !tenant)).toEqual([])
})

test('a query that names no academy sees nothing, not even as the owner', async () => {
  const asApp = await pool.query('select from person')
  const asOwner = await owner.query('select from person')
  expect([asApp.rowCount, asOwner.rowCount]).toEqual([0, 0])
})

test('two academies with the same ids never see each other', async () => {
  const own = await createTestDatabase('demo')
  const ownPool = openPool(own.appUrl, () => undefined)
  const reach = databaseOver(ownPool)
  const renamed = { ...otherAcademy, people: otherAcademy.people.slice(0, 1), shots: [] }
  expect(await importAcademy(reach, renamed, new Date())).toBe(true)
  expect(await inAcademy(reach, OTHER, listPeople)).toHaveLength(1)
  expect(await inAcademy(reach, DEMO.academy.academyId, listPeople)).toHaveLength(DEMO.people.length)
  expect(await behindDoor(reach, 'session', 'no such one', listPeople)).toEqual([])
  await ownPool.end()
  await own.remove()
})

test('loading the same academy twice changes nothing', async () => {
  expect(await importAcademy(databaseOver(pool), DEMO, new Date())).toBe(false)
})

test.each([
  ['update shot_revision set dose_net_g = 1', /permission denied/],
  ['delete from shot', /permission denied/],
  ['drop table shot', /must be owner/],
  ['alter table shot disable row level security', /must be owner/],
  ['create table mine (a int)', /permission denied/],
])('the app’s role may not: %s', async (statement, refusal) => {
  await expect(pool.query(statement)).rejects.toThrow(refusal)
})

test.each([
  ['a negative dose', 'dose_net_g', '-1', 'shot_dose_positive'],
  ['a negative stop', 'first_drop, stop_s, times_estimated', "'missed', -1, false", 'shot_instants_in_order'],
  [
    'a stop before the drop',
    'first_drop, first_drop_s, stop_s, times_estimated',
    "'marked', 9, 4, false",
    'shot_instants_in_order',
  ],
  ['a taste of 11', 'sour', '11', 'shot_sour'],
  ['half a clock', 'stop_s', '27', 'shot_clock_whole'],
  [
    'a dose weighed in two ways',
    'dose_net_g, dose_gross_g, dose_tare_g',
    '18, 600, 582',
    'shot_dose_one_way',
  ],
  [
    'a dose both seen and weighed',
    'dose_net_g, dose_seen_by, dose_seen_at',
    "18, 'line', 'at'",
    'shot_dose_seen_or_weighed',
  ],
  ['a dose seen by nothing', 'dose_count', '3', 'shot_dose_seen_or_weighed'],
  ['an unheard-of stream', 'stream', "'purple'", 'shot_stream'],
])('the schema itself refuses %s', async (_name, columns, values, constraint) => {
  const { academyId } = DEMO.academy
  const shotId = DEMO.shots[0]?.shotId ?? ''
  const insert = `insert into shot_revision
    (academy_id, revision_id, shot_id, revision_no, body_digest, recorded_at, received_at, ${columns})
    values ('${academyId}', gen_random_uuid(), '${shotId}', 99, '', now(), now(), ${values})`
  await expect(
    pool.query(`begin; set local calm_apron.academy_id = '${academyId}'; ${insert}; rollback`),
  ).rejects.toMatchObject({ constraint })
})

test('a choked shot that was stopped before any drop can be stored', async () => {
  const { academyId } = DEMO.academy
  const insert = `insert into shot_revision
    (academy_id, revision_id, shot_id, revision_no, body_digest, recorded_at, received_at, first_drop, stop_s, times_estimated, abandoned)
    values ('${academyId}', gen_random_uuid(), '${DEMO.shots[0]?.shotId ?? ''}', 98, '', now(), now(), 'none', 45, false, 'choked')`
  await pool.query(`begin; set local calm_apron.academy_id = '${academyId}'; ${insert}; rollback`)
})

test('a page of the shot list is read off an index, newest first, without sorting', async () => {
  const { academyId } = DEMO.academy
  const personId = DEMO.people[1]?.personId ?? ''
  const reach = databaseOver(pool)
  const ofAcademy = eq(shot.academyId, academyId)
  for (const where of [ofAcademy, and(ofAcademy, eq(shot.personId, personId))]) {
    const plan = await inAcademy(reach, academyId, async (transaction) => {
      // The demo is so small that the planner would rather sort it; forbidden to, it still sorts where no index serves.
      await transaction.execute(sql`set local enable_seqscan = off`)
      await transaction.execute(sql`set local enable_bitmapscan = off`)
      await transaction.execute(sql`set local enable_sort = off`)
      return transaction.execute(sql`explain ${shotPageQuery(transaction, where).getSQL()} limit 21`)
    })
    const text = JSON.stringify(plan.rows)
    expect(text).toContain(where === ofAcademy ? 'shot_by_time' : 'shot_of_person_by_time')
    expect(text).not.toContain('Sort')
  }
})

test('two servers that migrate at once do not trip over each other', async () => {
  const appRole = new URL(database.appUrl).username
  await Promise.all([migrateAsOwner(database.ownerUrl, appRole), migrateAsOwner(database.ownerUrl, appRole)])
  expect(await checkReadiness(pool)).toEqual({ ready: true })
})

test('a server that was given the owner’s role is not ready, and says why', async () => {
  const ownerPool = openPool(database.ownerUrl, () => undefined)
  expect(await checkReadiness(ownerPool)).toEqual({ ready: false, why: expect.stringContaining('lesser') })
  await ownerPool.end()
})
