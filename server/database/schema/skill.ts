import type { BesideSkill, BriefSkill, FamilySkill } from '@calm-apron/contract'
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
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import { person } from './academy.ts'
import { academyId, instant } from './columns.ts'
import { freeText } from './person.ts'

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
    /** What lies beside the skill, for those who teach. */
    beside: jsonb('beside').$type<BesideSkill>(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.personId] }),
    foreignKey({ columns: [t.academyId, t.personId], foreignColumns: [person.academyId, person.personId] }),
    index('skill_behind')
      .on(t.academyId, t.changedAt)
      .where(sql`${t.isBehind}`),
  ],
)

/** Sentences that those who teach gave somebody to take home. */
export const takeHome = pgTable(
  'take_home',
  {
    academyId: academyId(),
    takeHomeId: uuid('take_home_id').notNull(),
    personId: uuid('person_id').notNull(),
    givenBy: uuid('given_by').notNull(),
    givenAt: instant('given_at').notNull(),
    textId: uuid('text_id').notNull(),
    bodyDigest: text('body_digest').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.takeHomeId] }),
    foreignKey({
      name: 'take_home_person',
      columns: [t.academyId, t.personId],
      foreignColumns: [person.academyId, person.personId],
    }),
    foreignKey({ columns: [t.academyId, t.givenBy], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({ columns: [t.academyId, t.textId], foreignColumns: [freeText.academyId, freeText.textId] }),
    index('take_home_of_person').on(t.academyId, t.personId, t.givenAt, t.takeHomeId),
  ],
)
