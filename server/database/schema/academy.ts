import { CLOCK_HABITS, ROLES } from '@calm-apron/contract'
import { boolean, check, foreignKey, integer, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core'
import { academyId, instant, oneOf } from './columns.ts'

export const academy = pgTable('academy', {
  academyId: academyId().primaryKey(),
  name: text('name').notNull(),
  town: text('town').notNull(),
  timeZone: text('time_zone').notNull(),
  clockHabit: text('clock_habit', { enum: CLOCK_HABITS }).notNull().default('24-hours'),
  /** The made-up academy, whose people may be come in as without a password where the server allows it. */
  isDemo: boolean('is_demo').notNull().default(false),
  revisionNo: integer('revision_no').notNull().default(1),
  createdAt: instant('created_at').notNull().defaultNow(),
})

export const person = pgTable(
  'person',
  {
    academyId: academyId(),
    personId: uuid('person_id').notNull(),
    role: text('role', { enum: ROLES }).notNull(),
    revisionNo: integer('revision_no').notNull().default(1),
    endedAt: instant('ended_at'),
    /** Of the body that added them; null of those added before it was kept. */
    bodyDigest: text('body_digest'),
    /** Set by the owner's erasing function alone. */
    erasedAt: instant('erased_at'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.personId] }),
    foreignKey({ columns: [t.academyId], foreignColumns: [academy.academyId] }),
    check('person_role', oneOf(t.role, ROLES)),
  ],
)
