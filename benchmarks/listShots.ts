import { LIST_SQL, insertShots } from './shotBook.ts'
import { startTestApp } from '@calm-apron/scripts/testing'
import pg from 'pg'
import { comeIn } from './comeIn.ts'
import { time } from './measure.ts'

const RUNS = 300
const SHOTS = 5000
const PAGE = 20

const app = await startTestApp('demo')
const pool = new pg.Pool({ connectionString: app.database.appUrl, max: 1 })
try {
  const { personId, academyId } = await insertShots(pool, SHOTS)
  const address = `${app.url}/api/v1/shots?personId=${personId}&limit=${PAGE}`
  const cookie = await comeIn(app.url, 'trainer')
  const overHttp = async () => {
    const answer = await fetch(address, { headers: { Cookie: cookie } })
    const { shots } = (await answer.json()) as { shots: unknown[] }
    if (shots.length !== PAGE) throw new Error(`A page of ${shots.length} shots.`)
  }
  const throughDriver = async () => {
    await pool.query('begin')
    await pool.query("select set_config('calm_apron.academy_id', $1, true)", [academyId])
    const { rows } = await pool.query(LIST_SQL, [academyId, personId, PAGE + 1])
    await pool.query('commit')
    if (rows.length !== PAGE + 1) throw new Error(`${rows.length} rows.`)
  }
  // In turns, so that whatever else the machine does hits both.
  const driver = await time(RUNS, throughDriver)
  const endpoint = await time(RUNS, overHttp)
  const again = await time(RUNS, throughDriver)
  const baseline = (driver.medianMs + again.medianMs) / 2
  const ms = (value: number) => value.toFixed(2)
  console.log(`\nA page of ${PAGE} of ${SHOTS} shots, one caller:`)
  console.log(`  baseline, the same SQL through the driver  ${ms(baseline)} ms median`)
  console.log(
    `  GET /shots                                 ${ms(endpoint.medianMs)} ms median, ${ms(endpoint.p95Ms)} ms at 95 %`,
  )
  console.log(`  ratio                                      ${(endpoint.medianMs / baseline).toFixed(1)}`)
} finally {
  await pool.end()
  await app.remove()
}
