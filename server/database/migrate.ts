import { fileURLToPath } from 'node:url'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'

/** Beside this file in the sources, beside the bundle once built. */
export const MIGRATIONS_FOLDER = fileURLToPath(new URL('./migrations', import.meta.url))

// Any fixed number will do; two servers that start together must take the same one.
const MIGRATION_LOCK = 4_180_001

/** What the app may do beyond reading and adding rows; whatever is not named here can't be changed or removed by it. */
const MAY_CHANGE: Record<string, readonly string[]> = {
  academy: ['name', 'town', 'time_zone', 'clock_habit', 'revision_no'],
  person: ['role', 'ended_at', 'revision_no'],
  person_name: ['display_name'],
  account: ['password_hash', 'pin_hash'],
  session: ['last_used_at', 'handed_shot_id', 'handed_person_id'],
  remembered_sign_in: ['full_at'],
  invitation: ['expires_at', 'used_at'],
  claim: ['confirmed_at', 'is_denied'],
  // How it is called now; how before stands in `repurposing`.
  shot: ['purpose', 'fault_shown'],
  // Worked out of facts, and anew whenever they change.
  shot_said: ['rules_version', 'dose', 'tamp', 'yield', 'time', 'taste', 'cause'],
  skill: [
    'changes',
    'changed_at',
    'is_behind',
    'claimed_until',
    'worked_out_at',
    'rules_version',
    'figures',
    'brief',
    'beside',
  ],
  // What happened in it stands in `assessment_event`; once closed it stays so.
  assessment: ['closed_at'],
  prepared: ['revision_no', 'name_key', 'search_text', 'archived_at', 'over_on'],
}
const MAY_REMOVE = ['session', 'remembered_sign_in', 'set_aside']
const MAY_ASK = [
  'academy_behind(text, text)',
  'come_in(text)',
  'is_set_up()',
  'is_sign_in_name_taken(text)',
  'erase_person(uuid, timestamptz)',
  'shot_said_behind(integer)',
  'skill_behind(integer)',
]

/**
 * Brings the schema up to date as its owner and grants the app's role what it needs and no more: it owns nothing, can't
 * bypass row security, change the schema, or overwrite a fact or a trace.
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
  const changes = Object.entries(MAY_CHANGE).map(
    ([table, columns]) => `grant update (${columns.join(', ')}) on ${table} to ${role};`,
  )
  await client.query(`
    begin;
    revoke all on all tables in schema public, doors from ${role};
    grant usage on schema public, drizzle, doors to ${role};
    grant select, insert on all tables in schema public to ${role};
    grant select, insert, update, delete on all tables in schema doors to ${role};
    grant select on all tables in schema drizzle to ${role};
    ${changes.join('\n')}
    grant delete on ${MAY_REMOVE.join(', ')} to ${role};
    ${MAY_ASK.map((name) => `grant execute on function ${name} to ${role};`).join('\n')}
    commit;
  `)
}
