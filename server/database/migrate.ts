import { fileURLToPath } from 'node:url'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'

/** Beside this file in the sources, beside the bundle once built. */
export const MIGRATIONS_FOLDER = fileURLToPath(new URL('./migrations', import.meta.url))

// Any fixed number will do; two servers that start together must take the same one.
const MIGRATION_LOCK = 4_180_001

/**
 * Brings the schema up to date as its owner and lets the app's role read and add rows, nothing more: it owns
 * nothing, can't bypass row security, change the schema, or overwrite a fact.
 */
export async function migrateAsOwner(ownerUrl: string, appRole: string): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl })
  await client.connect()
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK])
    await migrate(drizzle(client), { migrationsFolder: MIGRATIONS_FOLDER })
    await grantTo(client, appRole)
  } finally {
    await client.end()
  }
}

async function grantTo(client: pg.Client, appRole: string): Promise<void> {
  const role = client.escapeIdentifier(appRole)
  await client.query(`
    grant usage on schema public, drizzle to ${role};
    grant select, insert on all tables in schema public to ${role};
    grant select on all tables in schema drizzle to ${role};
    grant execute on function only_academy_id() to ${role};
  `)
}
