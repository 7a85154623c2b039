import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { CHECKOUT, type TestDatabase, createTestDatabase } from '@calm-apron/scripts/testing'
import { migrateAsOwner } from '../database/migrate.ts'

/** What `npm run keep-release` kept of the last release. */
const KEPT = join(CHECKOUT, 'e2e/releases')

/** One request that made some of its records, and who sent it. */
export interface KeptWrite {
  as: 'head' | 'trainer' | 'trainee'
  path: string
  body: object
}

export function writesOfLastRelease(): KeptWrite[] {
  return JSON.parse(readFileSync(join(KEPT, 'writes.json'), 'utf8')) as KeptWrite[]
}

/** A database with the records that the last release left, brought up to this one. */
export async function databaseOfLastRelease(): Promise<TestDatabase> {
  const database = await createTestDatabase('empty')
  await database.holdInstead(join(KEPT, 'records.dump'))
  await migrateAsOwner(database.ownerUrl, new URL(database.appUrl).username)
  return database
}
