import { integer, pgSchema, text, uuid } from 'drizzle-orm/pg-core'
import { instant } from './columns.ts'

/** What is kept before anyone is known, and so belongs to no academy. */
export const doorsSchema = pgSchema('doors')

/** Failed tries by what they were aimed at and where they came from, as hashes. */
export const attempt = doorsSchema.table('attempt', {
  keyHash: text('key_hash').primaryKey(),
  failures: integer('failures').notNull(),
  lastAt: instant('last_at').notNull(),
  /** Which try counted last; a try that finds another's here was refused. */
  lastTry: uuid('last_try').notNull(),
  blockedUntil: instant('blocked_until').notNull(),
  /** From when on its rule remembers it no more. */
  forgetAt: instant('forget_at').notNull().defaultNow(),
})

/** Codes printed on a server's console, by which the first academy is made. */
export const setUpCode = doorsSchema.table('set_up_code', {
  codeHash: text('code_hash').primaryKey(),
  expiresAt: instant('expires_at').notNull(),
})
