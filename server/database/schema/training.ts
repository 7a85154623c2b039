import type { Watch } from '@calm-apron/contract'
import type { StepsSeen, TrainingHappening } from '@calm-apron/core'
import { boolean, foreignKey, index, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core'
import { person } from './academy.ts'
import { academyId, instant } from './columns.ts'

/** What happened in a training, one row each; how it stands is worked out of them. */
export const trainingEvent = pgTable(
  'training_event',
  {
    academyId: academyId(),
    eventId: uuid('event_id').notNull(),
    trainingId: uuid('training_id').notNull(),
    by: uuid('by').notNull(),
    sentBy: uuid('sent_by').notNull(),
    /** The newest event that whoever noted it had seen. No foreign key: that may arrive later. */
    afterEventId: uuid('after_event_id'),
    at: instant('at').notNull(),
    receivedAt: instant('received_at').notNull(),
    kind: text('kind').$type<TrainingHappening['kind']>().notNull(),
    happening: jsonb('happening').$type<TrainingHappening>().notNull(),
    bodyDigest: text('body_digest').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.eventId] }),
    foreignKey({ columns: [t.academyId, t.by], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({ columns: [t.academyId, t.sentBy], foreignColumns: [person.academyId, person.personId] }),
    // Whose seats it names, for the trainings of one person.
    index('training_event_happening').using('gin', t.happening.op('jsonb_path_ops')),
    index('training_event_of_training').on(t.academyId, t.trainingId, t.at),
    index('training_event_by_kind').on(t.academyId, t.kind, t.at),
  ],
)

/** What somebody saw who watched a shot of a training. No foreign key to the shot: it may arrive later. */
export const watch = pgTable(
  'watch',
  {
    academyId: academyId(),
    watchId: uuid('watch_id').notNull(),
    trainingId: uuid('training_id').notNull(),
    shotId: uuid('shot_id').notNull(),
    watchedBy: uuid('watched_by').notNull(),
    /** Whether they taught then. */
    isTeaching: boolean('is_teaching').notNull(),
    seen: jsonb('seen').$type<StepsSeen>().notNull(),
    marks: jsonb('marks').$type<Watch['marks']>().notNull(),
    call: jsonb('call').$type<Watch['call']>(),
    watchedAt: instant('watched_at').notNull(),
    receivedAt: instant('received_at').notNull(),
    bodyDigest: text('body_digest').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.watchId] }),
    foreignKey({
      columns: [t.academyId, t.watchedBy],
      foreignColumns: [person.academyId, person.personId],
    }),
    index('watch_of_shot').on(t.academyId, t.shotId),
    index('watch_of_person').on(t.academyId, t.watchedBy, t.watchId),
  ],
)
