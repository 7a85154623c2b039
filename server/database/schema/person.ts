import { INVITATION_KINDS, SESSION_KINDS } from '@calm-apron/contract'
import { sql } from 'drizzle-orm'
import { check, foreignKey, index, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core'
import { person } from './academy.ts'
import { academyId, instant, oneOf } from './columns.ts'

/** Names stand apart, so that they can be blanked while records keep pointing at the person. */
export const personName = pgTable(
  'person_name',
  {
    academyId: academyId(),
    personId: uuid('person_id').notNull(),
    displayName: text('display_name').notNull(),
    blankedAt: instant('blanked_at'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.personId] }),
    foreignKey({ columns: [t.academyId, t.personId], foreignColumns: [person.academyId, person.personId] }),
    check('person_name_blank', sql`(${t.displayName} = '') = (${t.blankedAt} is not null)`),
  ],
)

/** Whatever people wrote in their own words: whom it is about, and who wrote it. */
export const freeText = pgTable(
  'free_text',
  {
    academyId: academyId(),
    textId: uuid('text_id').notNull(),
    aboutId: uuid('about_id'),
    writtenBy: uuid('written_by'),
    content: text('content').notNull(),
    blankedAt: instant('blanked_at'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.textId] }),
    foreignKey({ columns: [t.academyId, t.aboutId], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({ columns: [t.academyId, t.writtenBy], foreignColumns: [person.academyId, person.personId] }),
    index('free_text_by_about').on(t.academyId, t.aboutId),
    index('free_text_by_writer').on(t.academyId, t.writtenBy),
  ],
)

/** How a person comes in. */
export const account = pgTable(
  'account',
  {
    academyId: academyId(),
    personId: uuid('person_id').notNull(),
    signInName: text('sign_in_name').notNull(),
    /** null until a reset link has been used. */
    passwordHash: text('password_hash'),
    pinHash: text('pin_hash'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.personId] }),
    foreignKey({ columns: [t.academyId, t.personId], foreignColumns: [person.academyId, person.personId] }),
    // Across academies: whoever signs in does not say which one is theirs.
    unique('account_sign_in_name').on(t.signInName),
    check('account_sign_in_name_small', sql`${t.signInName} !~ '[A-Z]'`),
  ],
)

/** Of tokens only hashes are kept. */
export const session = pgTable(
  'session',
  {
    academyId: academyId(),
    sessionId: uuid('session_id').notNull(),
    personId: uuid('person_id').notNull(),
    tokenHash: text('token_hash').notNull(),
    deviceHash: text('device_hash').notNull(),
    deviceLabel: text('device_label').notNull(),
    kind: text('kind', { enum: SESSION_KINDS }).notNull(),
    startedAt: instant('started_at').notNull(),
    lastUsedAt: instant('last_used_at').notNull(),
    endsAt: instant('ends_at').notNull(),
    handedShotId: uuid('handed_shot_id'),
    handedPersonId: uuid('handed_person_id'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.sessionId] }),
    foreignKey({ columns: [t.academyId, t.personId], foreignColumns: [person.academyId, person.personId] }),
    unique('session_token').on(t.tokenHash),
    index('session_by_person').on(t.academyId, t.personId),
    check('session_kind', oneOf(t.kind, SESSION_KINDS)),
    check('session_handed_whole', sql`num_nulls(${t.handedShotId}, ${t.handedPersonId}) in (0, 2)`),
  ],
)

/** Who signed in fully on which device, and so may come back there with a PIN. */
export const rememberedSignIn = pgTable(
  'remembered_sign_in',
  {
    academyId: academyId(),
    deviceHash: text('device_hash').notNull(),
    personId: uuid('person_id').notNull(),
    fullAt: instant('full_at').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.deviceHash, t.personId] }),
    foreignKey({ columns: [t.academyId, t.personId], foreignColumns: [person.academyId, person.personId] }),
    index('remembered_sign_in_by_device').on(t.deviceHash),
  ],
)

/** One-time links, to join or to set a new password. */
export const invitation = pgTable(
  'invitation',
  {
    academyId: academyId(),
    invitationId: uuid('invitation_id').notNull(),
    personId: uuid('person_id').notNull(),
    kind: text('kind', { enum: INVITATION_KINDS }).notNull(),
    tokenHash: text('token_hash').notNull(),
    madeAt: instant('made_at').notNull(),
    expiresAt: instant('expires_at').notNull(),
    usedAt: instant('used_at'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.invitationId] }),
    foreignKey({ columns: [t.academyId, t.personId], foreignColumns: [person.academyId, person.personId] }),
    unique('invitation_token').on(t.tokenHash),
    index('invitation_by_person').on(t.academyId, t.personId),
    check('invitation_kind', oneOf(t.kind, INVITATION_KINDS)),
  ],
)
