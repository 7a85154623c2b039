import type pg from 'pg'
import { type TestServer, serveTest } from '../testing/serve.ts'
import { AWAY, HOME, worldIn } from '../testing/world.ts'
import { openPool } from './pool.ts'

/** The database itself, spoken to as the app's role speaks to it, past all our code. */
let server: TestServer
let app: pg.Pool
let tables: string[]

beforeAll(async () => {
  server = await serveTest()
  app = openPool(server.database.appUrl, () => undefined)
  const world = worldIn(server.house)
  await world.openOther()
  for (const academyId of [HOME, AWAY]) {
    const head = await world.make('head', academyId)
    await world.makeShot(await world.make('trainee', academyId), head)
  }
  const { rows } = await app.query<{ name: string }>(
    `select c.relname as name from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind = 'r'`,
  )
  tables = rows.map(({ name }) => name)
})
afterAll(async () => {
  await app.end()
  await server.stop()
})

/** Runs statements in one transaction for an academy (or none), and takes everything back. */
async function as<T>(academyId: string | null, work: (client: pg.PoolClient) => Promise<T>): Promise<T> {
  const client = await app.connect()
  try {
    await client.query('begin')
    if (academyId !== null)
      await client.query(`select set_config('calm_apron.academy_id', $1, true)`, [academyId])
    return await work(client)
  } finally {
    await client.query('rollback')
    client.release()
  }
}

const idsSeen = async (academyId: string | null, table: string): Promise<string[]> =>
  as(academyId, async (client) => {
    const { rows } = await client.query<{ id: string }>(`select distinct academy_id as id from ${table}`)
    return rows.map(({ id }) => id)
  })

test('there is something to see in each academy, and it is more than a few tables', async () => {
  expect(tables.length).toBeGreaterThanOrEqual(16)
  for (const academyId of [HOME, AWAY]) expect(await idsSeen(academyId, 'shot')).toEqual([academyId])
})

test('without the tenant no table shows a row', async () => {
  for (const table of tables) expect([table, await idsSeen(null, table)]).toEqual([table, []])
})

test('with the tenant no table shows another’s row, filter or no filter', async () => {
  for (const table of tables) {
    for (const academyId of [HOME, AWAY]) {
      const others = (await idsSeen(academyId, table)).filter((id) => id !== academyId)
      expect([table, others]).toEqual([table, []])
    }
  }
})

test('a tenant that is no id, or another’s in the middle of a transaction, is no way through', async () => {
  await expect(as('nonsense', (client) => client.query('select from shot'))).rejects.toMatchObject({
    code: '22P02',
  })
  await as(HOME, async (client) => {
    await client.query('savepoint here')
    await expect(
      client.query(
        `insert into person (academy_id, person_id, role) values ($1, gen_random_uuid(), 'head')`,
        [AWAY],
      ),
    ).rejects.toMatchObject({ code: '42501' })
    await client.query('rollback to here')
    const moved = await client.query('update person set revision_no = 7 where academy_id = $1', [AWAY])
    expect(moved.rowCount).toBe(0)
  })
})

test.each([
  ['make a table', 'create table public.mine (a int)'],
  ['make a schema', 'create schema mine'],
  ['add a column', 'alter table person add column mine int'],
  ['drop a table', 'drop table shot'],
  ['empty a table', 'truncate audit'],
  ['lift row security', 'alter table shot disable row level security'],
  ['drop a policy', 'drop policy own_academy on shot'],
  ['make a policy', 'create policy mine on shot using (true)'],
  ['give itself powers', `grant all on audit to current_user; delete from audit`],
  ['become the owner', 'set role calm_apron_owner'],
  ['become a superuser', 'alter role current_user superuser'],
  ['make a function', 'create function public.mine() returns int language sql as $$ select 1 $$'],
  ['read passwords of roles', 'select rolpassword from pg_authid'],
  ['read a file', `select pg_read_file('/etc/passwd')`],
  ['run a program', `copy person to program 'cat'`],
  ['change a trace', `update audit set kind = 'shot-recorded'`],
  ['remove a trace', 'delete from audit'],
  ['change a fact', 'update shot_revision set stop_s = 1'],
  ['remove a fact', 'delete from shot'],
  ['change a slip', 'update slip set sour = 1'],
  ['blank a text by hand', `update free_text set content = ''`],
  ['take a name away for good by hand', 'update person_name set blanked_at = now()'],
  ['mark someone erased by hand', 'update person set erased_at = now()'],
  ['move a person to another academy', 'update person set academy_id = gen_random_uuid()'],
  ['hand a session to another', 'update session set person_id = gen_random_uuid()'],
])('the app’s role may not %s', async (_what, statement) => {
  await expect(as(HOME, (client) => client.query(statement))).rejects.toMatchObject({
    code: expect.stringMatching(/^(42501|0A000)$/),
  })
})

test('row security can’t be switched off for a session: then nothing can be read at all', async () => {
  await as(HOME, async (client) => {
    await client.query('set local row_security = off')
    await expect(client.query('select from shot')).rejects.toMatchObject({ code: '42501' })
  })
})

test('the word that opens everything to a backup opens nothing to the app', async () => {
  await as(null, async (client) => {
    await client.query(`select set_config('calm_apron.backup', 'yes', true)`)
    expect((await client.query('select from shot')).rowCount).toBe(0)
  })
})

test('erasing reaches only the academy that is named', async () => {
  const world = worldIn(server.house)
  const away = await world.make('trainee', AWAY)
  await as(HOME, async (client) => {
    await client.query('select erase_person($1, now())', [away.personId])
    await client.query(`select set_config('calm_apron.academy_id', $1, true)`, [AWAY])
    const { rows } = await client.query('select display_name from person_name where person_id = $1', [
      away.personId,
    ])
    expect(rows).toEqual([{ display_name: away.displayName }])
  })
})
