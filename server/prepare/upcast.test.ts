import { today } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import { inAcademy } from '../database/inAcademy.ts'
import { type TestServer, prepared, serveTest } from '../testing/serve.ts'
import { HOME } from '../testing/world.ts'

let server: TestServer
beforeAll(async () => {
  server = await serveTest()
})
afterAll(() => server.stop())

test('what was stored in an earlier version of its shape is read in today’s, wherever it is read', async () => {
  const grinderId = prepared('grinder')
  // As the first release stored it, which took any letter in a name. The app itself may change no revision.
  await server.database.asOwner(
    `alter table prepared_revision no force row level security;
     update prepared_revision set content_version = 1, content = jsonb_set(content, '{name}', '"Quay\u202e grinder"')
       where prepared_id = '${grinderId}';
     alter table prepared_revision force row level security`,
  )
  const stored = await inAcademy(server.house.database, HOME, (transaction) =>
    transaction.execute(sql`select content from prepared_revision where prepared_id = ${grinderId}`),
  )
  expect(JSON.stringify(stored.rows)).toContain('\u202e')
  const { bars } = today.parse((await server.http.get('/api/v1/today').expect(200)).body)
  const told = bars.flatMap(({ grinders }) => grinders).find((each) => each.grinderId === grinderId)
  expect(told?.name).toBe('Quay grinder')
  for (const path of [`prepared/${grinderId}`, 'prepared?kind=grinder', 'prepared-file'])
    expect((await server.http.get(`/api/v1/${path}`).expect(200)).text).not.toContain('\u202e')
})
