import { ROLES } from '@calm-apron/contract'
import { FINER_IS, VESSEL_KINDS } from '@calm-apron/core'
import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  date,
  foreignKey,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import { academyId, instant, measured, oneOf } from './columns.ts'

export const academy = pgTable('academy', {
  academyId: academyId().primaryKey(),
  name: text('name').notNull(),
  town: text('town').notNull(),
  timeZone: text('time_zone').notNull(),
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
    /** Set by the owner's erasing function alone. */
    erasedAt: instant('erased_at'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.personId] }),
    foreignKey({ columns: [t.academyId], foreignColumns: [academy.academyId] }),
    check('person_role', oneOf(t.role, ROLES)),
  ],
)

export const coffee = pgTable(
  'coffee',
  {
    academyId: academyId(),
    coffeeId: uuid('coffee_id').notNull(),
    name: text('name').notNull(),
    roaster: text('roaster').notNull(),
    restDays: integer('rest_days').notNull(),
    bestUntilDays: integer('best_until_days').notNull(),
    usableUntilDays: integer('usable_until_days').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.coffeeId] }),
    foreignKey({ columns: [t.academyId], foreignColumns: [academy.academyId] }),
    check(
      'coffee_window',
      sql`0 <= ${t.restDays} and ${t.restDays} <= ${t.bestUntilDays} and ${t.bestUntilDays} <= ${t.usableUntilDays}`,
    ),
  ],
)

export const bag = pgTable(
  'bag',
  {
    academyId: academyId(),
    bagId: uuid('bag_id').notNull(),
    coffeeId: uuid('coffee_id').notNull(),
    roastedOn: date('roasted_on', { mode: 'string' }).notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.bagId] }),
    foreignKey({ columns: [t.academyId, t.coffeeId], foreignColumns: [coffee.academyId, coffee.coffeeId] }),
    index('bag_by_coffee').on(t.academyId, t.coffeeId),
  ],
)

export const bar = pgTable(
  'bar',
  {
    academyId: academyId(),
    barId: uuid('bar_id').notNull(),
    name: text('name').notNull(),
    machineName: text('machine_name').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.barId] }),
    foreignKey({ columns: [t.academyId], foreignColumns: [academy.academyId] }),
  ],
)

export const grinder = pgTable(
  'grinder',
  {
    academyId: academyId(),
    grinderId: uuid('grinder_id').notNull(),
    barId: uuid('bar_id').notNull(),
    name: text('name').notNull(),
    minSetting: measured('min_setting').notNull(),
    maxSetting: measured('max_setting').notNull(),
    settingStep: measured('setting_step').notNull(),
    finerIs: text('finer_is', { enum: FINER_IS }).notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.grinderId] }),
    foreignKey({ columns: [t.academyId, t.barId], foreignColumns: [bar.academyId, bar.barId] }),
    check('grinder_scale', sql`${t.minSetting} < ${t.maxSetting} and ${t.settingStep} > 0`),
    check('grinder_finer_is', oneOf(t.finerIs, FINER_IS)),
  ],
)

export const vessel = pgTable(
  'vessel',
  {
    academyId: academyId(),
    vesselId: uuid('vessel_id').notNull(),
    barId: uuid('bar_id').notNull(),
    name: text('name').notNull(),
    kind: text('kind', { enum: VESSEL_KINDS }).notNull(),
    emptyG: measured('empty_g').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.vesselId] }),
    foreignKey({ columns: [t.academyId, t.barId], foreignColumns: [bar.academyId, bar.barId] }),
    check('vessel_kind', oneOf(t.kind, VESSEL_KINDS)),
    check('vessel_empty_g', sql`${t.emptyG} > 0`),
  ],
)
