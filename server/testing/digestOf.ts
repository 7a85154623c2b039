import { sql } from 'drizzle-orm'
import { inAcademy } from '../database/inAcademy.ts'
import type { House } from '../house.ts'

/** What a server works out by itself, whoever asks; that something it rests on changed is counted beside it. */
const WORKED_OUT: Readonly<Record<string, readonly string[]>> = {
  skill: ['is_behind', 'claimed_until', 'worked_out_at', 'rules_version', 'figures', 'brief', 'beside'],
  shot_said: ['rules_version', 'dose', 'tamp', 'yield', 'time', 'taste', 'cause'],
}

/** All that is kept of an academy, table by table, as digests; but for tables that any request may write to. */
export async function digestOf(
  house: House,
  academyId: string,
  without: readonly string[] = [],
): Promise<string> {
  return inAcademy(house.database, academyId, async (transaction) => {
    const { rows: tables } = await transaction.execute<{ name: string }>(
      sql`select c.relname as name from pg_class c where c.relnamespace = 'public'::regnamespace and c.relkind = 'r' order by 1`,
    )
    const digests: string[] = []
    for (const { name } of tables.filter((each) => !without.includes(each.name))) {
      const { rows } = await transaction.execute<{ digest: string | null }>(
        sql`select md5(string_agg(kept, '' order by kept)) as digest
          from (select (to_jsonb(t) - ${sql.param(WORKED_OUT[name] ?? [])}::text[])::text as kept from ${sql.identifier(name)} t) k`,
      )
      digests.push(`${name} ${rows[0]?.digest ?? 'empty'}`)
    }
    return digests.join('\n')
  })
}
