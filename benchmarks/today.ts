import { startTestApp } from '@calm-apron/scripts/testing'
import pg from 'pg'
import { comeIn } from './comeIn.ts'
import { time } from './measure.ts'
import { insertShots } from './shotBook.ts'

const RUNS = 100
/** All of them from one bag that nobody ever finished. */
const MORE_SHOTS = 100_000

const app = await startTestApp('demo')
const pool = new pg.Pool({ connectionString: app.database.appUrl, max: 1 })
try {
  const cookie = await comeIn(app.url, 'trainer')
  const today = async () => {
    const answer = await fetch(`${app.url}/api/v1/today`, { headers: { Cookie: cookie } })
    if (!answer.ok) throw new Error(`Today answered ${answer.status}.`)
    await answer.text()
  }
  const few = await time(RUNS, today)
  await insertShots(pool, MORE_SHOTS)
  // In life the database counts its rows by itself, within a minute.
  const owner = new pg.Client({ connectionString: app.database.ownerUrl })
  await owner.connect()
  await owner.query('analyze')
  await owner.end()
  const many = await time(RUNS, today)
  const ms = (value: number) => value.toFixed(1)
  console.log('\nToday, one caller:')
  console.log(`  baseline, the demo’s shots            ${ms(few.medianMs)} ms median`)
  console.log(
    `  with ${MORE_SHOTS} more of an open bag     ${ms(many.medianMs)} ms median, ${ms(many.p95Ms)} ms at 95 %`,
  )
  console.log(`  ratio                                 ${(many.medianMs / few.medianMs).toFixed(2)}`)
} finally {
  await pool.end()
  await app.remove()
}
