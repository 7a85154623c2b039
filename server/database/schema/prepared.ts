import { PREPARED_KINDS } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import {
  check,
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'
import { academy, person } from './academy.ts'
import { academyId, instant, oneOf } from './columns.ts'

/** A recipe, a coffee, a grinder: anything that is prepared. What it says stands in its revisions; it is put away, never removed. */
export const prepared = pgTable(
  'prepared',
  {
    academyId: academyId(),
    preparedId: uuid('prepared_id').notNull(),
    kind: text('kind', { enum: PREPARED_KINDS }).notNull(),
    parentId: uuid('parent_id'),
    /** Of the newest revision. */
    revisionNo: integer('revision_no').notNull(),
    /** What lists are ordered by, and what is searched; both in lower case, from the newest revision. */
    nameKey: text('name_key').notNull(),
    searchText: text('search_text').notNull(),
    archivedAt: instant('archived_at'),
    /** When it was used up, as a bag is; from the newest revision. */
    overOn: date('over_on'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.preparedId] }),
    foreignKey({ columns: [t.academyId], foreignColumns: [academy.academyId] }),
    foreignKey({
      name: 'prepared_parent',
      columns: [t.academyId, t.parentId],
      foreignColumns: [t.academyId, t.preparedId],
    }),
    index('prepared_by_name').on(t.academyId, t.kind, t.nameKey, t.preparedId),
    index('prepared_by_parent').on(t.academyId, t.parentId),
    // Of bags nearly all are over, and nearly none of those are asked for.
    index('prepared_in_use')
      .on(t.academyId, t.kind)
      .where(sql`${t.overOn} is null`),
    index('prepared_by_end')
      .on(t.academyId, t.overOn)
      .where(sql`${t.overOn} is not null`),
    check('prepared_kind', oneOf(t.kind, PREPARED_KINDS)),
    check('prepared_revision_no', sql`${t.revisionNo} >= 1`),
  ],
)

/** All that a thing said at one time, in the shape the contract gives its kind. None is ever overwritten. */
export const preparedRevision = pgTable(
  'prepared_revision',
  {
    academyId: academyId(),
    revisionId: uuid('revision_id').notNull(),
    preparedId: uuid('prepared_id').notNull(),
    revisionNo: integer('revision_no').notNull(),
    content: jsonb('content').$type<Record<string, unknown>>().notNull(),
    /** In which version of its shape it is stored; earlier ones are brought up to today's as they are read. */
    contentVersion: integer('content_version').notNull().default(1),
    /** Of the body that made it, so that a repeated request is told from a different one. */
    bodyDigest: text('body_digest').notNull(),
    changedBy: uuid('changed_by'),
    changedAt: instant('changed_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.revisionId] }),
    foreignKey({
      name: 'prepared_revision_of',
      columns: [t.academyId, t.preparedId],
      foreignColumns: [prepared.academyId, prepared.preparedId],
    }),
    foreignKey({
      name: 'prepared_revision_by',
      columns: [t.academyId, t.changedBy],
      foreignColumns: [person.academyId, person.personId],
    }),
    // Also the index by which the newest revision is found.
    unique('prepared_revision_once').on(t.academyId, t.preparedId, t.revisionNo),
    index('prepared_revision_by_time').on(t.academyId, t.changedAt),
    check('prepared_content', sql`jsonb_typeof(${t.content}) = 'object' and ${t.content} ? 'name'`),
  ],
)
