import { CAUSES, type Cause, STANDINGS } from '@calm-apron/core'
import { check, foreignKey, index, integer, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core'
import { academyId, instant, oneOf } from './columns.ts'
import { shot } from './shot.ts'

/**
 * What a shot is said to be, as it was worked out last, so that it can be looked for. Triggers put behind (`rules_version` 0)
 * whatever is read otherwise once something changed, whoever changed it; a worker takes it up.
 */
export const shotSaid = pgTable(
  'shot_said',
  {
    academyId: academyId(),
    shotId: uuid('shot_id').notNull(),
    /** The shot's own, for pages by time. */
    pulledAt: instant('pulled_at').notNull(),
    rulesVersion: integer('rules_version').notNull().default(0),
    dose: text('dose', { enum: STANDINGS }),
    tamp: text('tamp', { enum: STANDINGS }),
    yield: text('yield', { enum: STANDINGS }),
    time: text('time', { enum: STANDINGS }),
    taste: text('taste', { enum: STANDINGS }),
    /** The cause that is named, or the one that a trainer's ruling names. */
    cause: text('cause').$type<Cause>(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.shotId] }),
    foreignKey({
      name: 'shot_said_shot',
      columns: [t.academyId, t.shotId],
      foreignColumns: [shot.academyId, shot.shotId],
    }),
    // As the worker takes them up: what changed first, the newest of it first.
    index('shot_said_behind').on(t.academyId, t.rulesVersion, t.pulledAt.desc()),
    index('shot_said_by_cause').on(t.academyId, t.cause, t.pulledAt, t.shotId),
    check('shot_said_cause', oneOf(t.cause, CAUSES)),
  ],
)
