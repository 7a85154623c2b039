import { CLOCKS } from '@calm-apron/core'
import { sql } from 'drizzle-orm'
import { check, foreignKey, integer, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core'
import { academy } from './academy.ts'
import { academyId, instant, measured, oneOf } from './columns.ts'

/** Recipes are revised, not edited: a shot points at the revision it was judged by. */
export const recipeRevision = pgTable(
  'recipe_revision',
  {
    academyId: academyId(),
    recipeRevisionId: uuid('recipe_revision_id').notNull(),
    recipeId: uuid('recipe_id').notNull(),
    revisionNo: integer('revision_no').notNull(),
    name: text('name').notNull(),
    doseG: measured('dose_g').notNull(),
    doseToleranceG: measured('dose_tolerance_g').notNull(),
    yieldG: measured('yield_g').notNull(),
    yieldToleranceG: measured('yield_tolerance_g').notNull(),
    clock: text('clock', { enum: CLOCKS }).notNull(),
    timeMinS: measured('time_min_s').notNull(),
    timeMaxS: measured('time_max_s').notNull(),
    firstDropMinS: measured('first_drop_min_s').notNull(),
    firstDropMaxS: measured('first_drop_max_s').notNull(),
    tasteTolerance: measured('taste_tolerance').notNull(),
    sweetMin: measured('sweet_min').notNull(),
    createdAt: instant('created_at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.recipeRevisionId] }),
    foreignKey({ columns: [t.academyId], foreignColumns: [academy.academyId] }),
    unique('recipe_revision_once').on(t.academyId, t.recipeId, t.revisionNo),
    check('recipe_clock', oneOf(t.clock, CLOCKS)),
    check('recipe_window', sql`0 < ${t.timeMinS} and ${t.timeMinS} < ${t.timeMaxS}`),
    check('recipe_first_drop', sql`0 <= ${t.firstDropMinS} and ${t.firstDropMinS} <= ${t.firstDropMaxS}`),
    check(
      'recipe_masses',
      sql`${t.doseG} > 0 and ${t.doseToleranceG} > 0 and ${t.yieldG} > 0 and ${t.yieldToleranceG} > 0`,
    ),
  ],
)
