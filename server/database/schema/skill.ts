import type { BriefSkill, FamilySkill } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  uuid,
} from 'drizzle-orm/pg-core'
import { person } from './academy.ts'
import { academyId, instant } from './columns.ts'

/**
 * What somebody can do, as it was worked out last. Triggers count every change of what it rests on, whoever makes it; a
 * worker takes up those that are behind.
 */
export const skill = pgTable(
  'skill',
  {
    academyId: academyId(),
    personId: uuid('person_id').notNull(),
    /** How often something it rests on changed, and when last. */
    changes: bigint('changes', { mode: 'number' }).notNull().default(1),
    changedAt: instant('changed_at').notNull(),
    isBehind: boolean('is_behind').notNull().default(true),
    /** Until then a worker has it in hand. */
    claimedUntil: instant('claimed_until'),
    workedOutAt: instant('worked_out_at'),
    rulesVersion: integer('rules_version'),
    figures: jsonb('figures').$type<FamilySkill[]>(),
    /** What of the figures a list shows. */
    brief: jsonb('brief').$type<BriefSkill[]>(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.personId] }),
    foreignKey({ columns: [t.academyId, t.personId], foreignColumns: [person.academyId, person.personId] }),
    index('skill_behind')
      .on(t.academyId, t.changedAt)
      .where(sql`${t.isBehind}`),
  ],
)
