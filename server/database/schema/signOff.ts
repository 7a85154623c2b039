import type { AssessmentHappening } from '@calm-apron/core'
import { foreignKey, index, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core'
import { person } from './academy.ts'
import { academyId, instant } from './columns.ts'
import { freeText } from './person.ts'
import { prepared } from './prepared.ts'

/** Whose assessment it is, in which programme; its set is sealed until it is closed. */
export const assessment = pgTable(
  'assessment',
  {
    academyId: academyId(),
    assessmentId: uuid('assessment_id').notNull(),
    personId: uuid('person_id').notNull(),
    programmeId: uuid('programme_id').notNull(),
    begunAt: instant('begun_at').notNull(),
    /** When the set ended, and opened; null while it is on. */
    closedAt: instant('closed_at'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.assessmentId] }),
    foreignKey({
      name: 'assessment_person',
      columns: [t.academyId, t.personId],
      foreignColumns: [person.academyId, person.personId],
    }),
    foreignKey({
      columns: [t.academyId, t.programmeId],
      foreignColumns: [prepared.academyId, prepared.preparedId],
    }),
    index('assessment_of_person').on(t.academyId, t.personId, t.begunAt),
    index('assessment_by_time').on(t.academyId, t.begunAt),
  ],
)

/** What happened in an assessment, one row each; how it stands is worked out of them. What was written stands apart. */
export const assessmentEvent = pgTable(
  'assessment_event',
  {
    academyId: academyId(),
    eventId: uuid('event_id').notNull(),
    assessmentId: uuid('assessment_id').notNull(),
    by: uuid('by').notNull(),
    sentBy: uuid('sent_by').notNull(),
    at: instant('at').notNull(),
    receivedAt: instant('received_at').notNull(),
    kind: text('kind').$type<AssessmentHappening['kind']>().notNull(),
    happening: jsonb('happening').$type<AssessmentHappening>().notNull(),
    textId: uuid('text_id'),
    bodyDigest: text('body_digest').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.eventId] }),
    foreignKey({
      name: 'assessment_event_of',
      columns: [t.academyId, t.assessmentId],
      foreignColumns: [assessment.academyId, assessment.assessmentId],
    }),
    foreignKey({
      name: 'assessment_event_by',
      columns: [t.academyId, t.by],
      foreignColumns: [person.academyId, person.personId],
    }),
    foreignKey({
      name: 'assessment_event_sent_by',
      columns: [t.academyId, t.sentBy],
      foreignColumns: [person.academyId, person.personId],
    }),
    foreignKey({
      name: 'assessment_event_text',
      columns: [t.academyId, t.textId],
      foreignColumns: [freeText.academyId, freeText.textId],
    }),
    index('assessment_event_of_one').on(t.academyId, t.assessmentId, t.receivedAt),
  ],
)
