import { readMigrationFiles } from 'drizzle-orm/migrator'
import type pg from 'pg'
import { MIGRATIONS_FOLDER } from './migrate.ts'

export type Readiness = { ready: true } | { ready: false; why: string }

const POWERS = `
  select rolsuper or rolbypassrls as "bypassesRowSecurity",
    exists (select from pg_tables where schemaname = 'public' and tableowner = current_user) as "ownsTables"
  from pg_roles where rolname = current_user`

/** Whether the database answers, is migrated as far as this build needs, and the app's role is the lesser one. */
export async function checkReadiness(pool: pg.Pool): Promise<Readiness> {
  const powers = await pool.query<{ bypassesRowSecurity: boolean; ownsTables: boolean }>(POWERS)
  if (powers.rows.some((row) => row.bypassesRowSecurity || row.ownsTables)) {
    return {
      ready: false,
      why: 'DATABASE_URL names a role that owns the tables or can bypass row security; give it a lesser one.',
    }
  }
  const applied = await appliedMigrations(pool)
  const needed = readMigrationFiles({ migrationsFolder: MIGRATIONS_FOLDER }).length
  if (applied < needed)
    return {
      ready: false,
      why: `The database is ${needed - applied} migrations behind; run the migration as its owner.`,
    }
  return { ready: true }
}

async function appliedMigrations(pool: pg.Pool): Promise<number> {
  const exists = await pool.query<{ exists: boolean }>(
    `select to_regclass('drizzle.__drizzle_migrations') is not null as exists`,
  )
  if (!exists.rows[0]?.exists) return 0
  const { rows } = await pool.query<{ count: number }>(
    'select count(*)::int as count from drizzle.__drizzle_migrations',
  )
  return rows[0]?.count ?? 0
}
