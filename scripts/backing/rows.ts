import type pg from 'pg'
import type { Erasure } from './sidecar.ts'

const SCHEMAS = `('public', 'doors', 'drizzle')`

/** Lets this connection read every row, which the owner may for a backup and nobody else may at all. */
export async function readEverything(client: pg.Client): Promise<void> {
  await client.query(`select set_config('calm_apron.backup', 'yes', false)`)
}

/** How many rows each table holds, by its full name. */
export async function countRows(client: pg.Client): Promise<Record<string, number>> {
  const { rows: tables } = await client.query<{ name: string }>(
    `select format('%I.%I', schemaname, tablename) as name from pg_tables where schemaname in ${SCHEMAS} order by 1`,
  )
  const counts: Record<string, number> = {}
  for (const { name } of tables) {
    const { rows } = await client.query<{ n: number }>(`select count(*)::int as n from ${name}`)
    counts[name] = rows[0]?.n ?? 0
  }
  return counts
}

/** Everyone who was erased, in whichever academy. */
export async function listErasures(client: pg.Client): Promise<Erasure[]> {
  const { rows } = await client.query<{ academy_id: string; person_id: string; erased_at: Date }>(
    'select academy_id, person_id, erased_at from person where erased_at is not null order by erased_at',
  )
  return rows.map((row) => ({
    academyId: row.academy_id,
    personId: row.person_id,
    erasedAt: row.erased_at.toISOString(),
  }))
}

/** Erases again whoever was erased after the backup; returns how many there were. */
export async function eraseAgain(client: pg.Client, erasures: readonly Erasure[]): Promise<number> {
  let count = 0
  for (const { academyId, personId, erasedAt } of erasures) {
    await client.query('begin')
    await client.query(`select set_config('calm_apron.academy_id', $1, true)`, [academyId])
    const there = await client.query('select from person where person_id = $1 and erased_at is null', [
      personId,
    ])
    if (there.rowCount === 1) {
      await client.query('select erase_person($1, $2)', [personId, erasedAt])
      count += 1
    }
    await client.query('commit')
  }
  return count
}
