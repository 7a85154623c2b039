import {
  AUDIT_KINDS,
  BOUNDS,
  CALL_MOVES,
  CALL_STAGES,
  CLAIM_KINDS,
  SLIP_SIDES,
  type SetAsideRecord,
  VERDICTS,
} from '@calm-apron/contract'
import {
  CALL_WORDS,
  CAUSES,
  type CallWord,
  type Cause,
  FAULTS_SHOWN,
  type FaultShown,
  SHOT_PURPOSES,
  type Verdict,
} from '@calm-apron/core'
import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { person } from './academy.ts'
import { academyId, between, instant, oneOf } from './columns.ts'
import { freeText } from './person.ts'
import { shot } from './shot.ts'

/** Who changed what, by ids only; what was written stands in `free_text`. The app can add and read. */
export const audit = pgTable(
  'audit',
  {
    academyId: academyId(),
    auditId: uuid('audit_id').notNull(),
    at: instant('at').notNull(),
    kind: text('kind', { enum: AUDIT_KINDS }).notNull(),
    actorId: uuid('actor_id'),
    personId: uuid('person_id'),
    subjectId: uuid('subject_id').notNull(),
    before: jsonb('before'),
    after: jsonb('after'),
    whyTextId: uuid('why_text_id'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.auditId] }),
    foreignKey({ columns: [t.academyId, t.actorId], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({ columns: [t.academyId, t.personId], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({
      columns: [t.academyId, t.whyTextId],
      foreignColumns: [freeText.academyId, freeText.textId],
    }),
    index('audit_by_time').on(t.academyId, t.at, t.auditId),
    index('audit_of_person_by_time').on(t.academyId, t.personId, t.at, t.auditId),
    index('audit_by_actor_and_time').on(t.academyId, t.actorId, t.at, t.auditId),
    // Nearly every trace is of a shot, and those are found by time: whoever records one waits for no further index.
    index('audit_by_kind_and_time')
      .on(t.academyId, t.kind, t.at, t.auditId)
      .where(sql`${t.kind} <> 'shot-recorded'`),
    check('audit_kind', oneOf(t.kind, AUDIT_KINDS)),
  ],
)

/** A record entered under someone's name on a tablet that others held, and what they said of it once they were asked. */
export const claim = pgTable(
  'claim',
  {
    academyId: academyId(),
    recordId: uuid('revision_id').notNull(),
    kind: text('kind', { enum: CLAIM_KINDS }).notNull().default('shot'),
    /** The shot or training it belongs to. */
    subjectId: uuid('subject_id').notNull(),
    judgedBy: uuid('judged_by').notNull(),
    sentBy: uuid('sent_by').notNull(),
    deviceHash: text('device_hash').notNull(),
    claimedAt: instant('claimed_at').notNull(),
    /** When they spoke of it. */
    confirmedAt: instant('confirmed_at'),
    isDenied: boolean('is_denied').notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.recordId] }),
    check('claim_kind', oneOf(t.kind, CLAIM_KINDS)),
    foreignKey({ columns: [t.academyId, t.judgedBy], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({ columns: [t.academyId, t.sentBy], foreignColumns: [person.academyId, person.personId] }),
    index('claim_by_person').on(t.academyId, t.judgedBy, t.deviceHash),
  ],
)

/** Records whose author's account had ended when they arrived. */
export const setAside = pgTable(
  'set_aside',
  {
    academyId: academyId(),
    setAsideId: uuid('set_aside_id').notNull(),
    judgedBy: uuid('judged_by').notNull(),
    sentBy: uuid('sent_by').notNull(),
    receivedAt: instant('received_at').notNull(),
    write: jsonb('write').$type<SetAsideRecord['write']>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.setAsideId] }),
    foreignKey({ columns: [t.academyId, t.judgedBy], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({ columns: [t.academyId, t.sentBy], foreignColumns: [person.academyId, person.personId] }),
  ],
)

/** What someone said of a shot before its reading opened. */
export const call = pgTable(
  'call',
  {
    academyId: academyId(),
    callId: uuid('call_id').notNull(),
    shotId: uuid('shot_id').notNull(),
    personId: uuid('person_id').notNull(),
    stage: text('stage', { enum: CALL_STAGES }).notNull(),
    /** null: a trainer's word that there will be no final call. */
    verdict: text('verdict').$type<CallWord>(),
    cause: text('cause').$type<Cause>(),
    move: text('move', { enum: CALL_MOVES }),
    /** On whose tablet, where that was another's. */
    takenDownBy: uuid('taken_down_by'),
    calledAt: instant('called_at').notNull(),
    rulesVersion: integer('rules_version'),
    receivedAt: instant('received_at').notNull(),
    bodyDigest: text('body_digest').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.callId] }),
    foreignKey({
      name: 'call_shot',
      columns: [t.academyId, t.shotId],
      foreignColumns: [shot.academyId, shot.shotId],
    }),
    foreignKey({ columns: [t.academyId, t.personId], foreignColumns: [person.academyId, person.personId] }),
    // A trainer's word that there will be none is no call of theirs: they may make one as well.
    uniqueIndex('call_once')
      .on(t.academyId, t.shotId, t.personId, t.stage)
      .where(sql`${t.verdict} is not null`),
    uniqueIndex('call_skipped_once')
      .on(t.academyId, t.shotId, t.personId, t.stage)
      .where(sql`${t.verdict} is null`),
    index('call_of_person').on(t.academyId, t.personId),
    check('call_verdict', oneOf(t.verdict, CALL_WORDS)),
    check('call_stage', oneOf(t.stage, CALL_STAGES)),
    check('call_move', oneOf(t.move, CALL_MOVES)),
    check('call_cause', oneOf(t.cause, CAUSES)),
  ],
)

/** Tasting slips; a correction is a further row. All axes null and `skipped`: this side won't taste. */
export const slip = pgTable(
  'slip',
  {
    academyId: academyId(),
    slipId: uuid('slip_id').notNull(),
    shotId: uuid('shot_id').notNull(),
    side: text('side', { enum: SLIP_SIDES }).notNull(),
    revisionNo: integer('revision_no').notNull(),
    filledBy: uuid('filled_by').notNull(),
    takenDownBy: uuid('taken_down_by'),
    reasonTextId: uuid('reason_text_id'),
    skipped: boolean('skipped').notNull(),
    sour: smallint('sour'),
    sweet: smallint('sweet'),
    bitter: smallint('bitter'),
    body: smallint('body'),
    dryness: smallint('dryness'),
    tastedAt: instant('tasted_at').notNull(),
    /** Whether it was kept before the slips opened. */
    isBlind: boolean('is_blind').notNull().default(true),
    isLate: boolean('is_late').notNull().default(false),
    receivedAt: instant('received_at').notNull(),
    bodyDigest: text('body_digest').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.slipId] }),
    foreignKey({
      name: 'slip_shot',
      columns: [t.academyId, t.shotId],
      foreignColumns: [shot.academyId, shot.shotId],
    }),
    foreignKey({ columns: [t.academyId, t.filledBy], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({
      columns: [t.academyId, t.reasonTextId],
      foreignColumns: [freeText.academyId, freeText.textId],
    }),
    unique('slip_once').on(t.academyId, t.shotId, t.side, t.revisionNo),
    index('slip_filled_by').on(t.academyId, t.filledBy),
    check('slip_side', oneOf(t.side, SLIP_SIDES)),
    check(
      'slip_skipped_blank',
      sql`not ${t.skipped} or num_nonnulls(${t.sour}, ${t.sweet}, ${t.bitter}, ${t.body}, ${t.dryness}) = 0`,
    ),
    ...[t.sour, t.sweet, t.bitter, t.body, t.dryness].map((axis) =>
      check(`slip_${axis.name}`, between(axis, BOUNDS.taste)),
    ),
  ],
)

/** A trainer's own reading of a shot, beside the tool's. */
export const ruling = pgTable(
  'ruling',
  {
    academyId: academyId(),
    rulingId: uuid('ruling_id').notNull(),
    shotId: uuid('shot_id').notNull(),
    ruledBy: uuid('ruled_by').notNull(),
    verdict: text('verdict').$type<Verdict>().notNull(),
    cause: text('cause').$type<Cause>(),
    move: text('move', { enum: CALL_MOVES }),
    reasonTextId: uuid('reason_text_id').notNull(),
    ruledAt: instant('ruled_at').notNull(),
    rulesVersion: integer('rules_version'),
    receivedAt: instant('received_at').notNull(),
    bodyDigest: text('body_digest').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.rulingId] }),
    foreignKey({
      name: 'ruling_shot',
      columns: [t.academyId, t.shotId],
      foreignColumns: [shot.academyId, shot.shotId],
    }),
    foreignKey({ columns: [t.academyId, t.ruledBy], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({
      columns: [t.academyId, t.reasonTextId],
      foreignColumns: [freeText.academyId, freeText.textId],
    }),
    index('ruling_of_shot').on(t.academyId, t.shotId, t.ruledAt),
    index('ruling_by_reason').on(t.academyId, t.reasonTextId),
    check('ruling_verdict', oneOf(t.verdict, VERDICTS)),
    check('ruling_move', oneOf(t.move, CALL_MOVES)),
    check('ruling_cause', oneOf(t.cause, CAUSES)),
  ],
)

/** What a shot was for, said otherwise afterwards; the shot's own row holds how it is called now. */
export const repurposing = pgTable(
  'repurposing',
  {
    academyId: academyId(),
    repurposingId: uuid('repurposing_id').notNull(),
    shotId: uuid('shot_id').notNull(),
    repurposedBy: uuid('repurposed_by').notNull(),
    purposeBefore: text('purpose_before', { enum: SHOT_PURPOSES }).notNull(),
    purpose: text('purpose', { enum: SHOT_PURPOSES }).notNull(),
    faultShown: text('fault_shown').$type<FaultShown>(),
    reasonTextId: uuid('reason_text_id').notNull(),
    repurposedAt: instant('repurposed_at').notNull(),
    receivedAt: instant('received_at').notNull(),
    bodyDigest: text('body_digest').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.repurposingId] }),
    foreignKey({
      name: 'repurposing_shot',
      columns: [t.academyId, t.shotId],
      foreignColumns: [shot.academyId, shot.shotId],
    }),
    foreignKey({
      columns: [t.academyId, t.repurposedBy],
      foreignColumns: [person.academyId, person.personId],
    }),
    foreignKey({
      columns: [t.academyId, t.reasonTextId],
      foreignColumns: [freeText.academyId, freeText.textId],
    }),
    index('repurposing_of_shot').on(t.academyId, t.shotId, t.repurposedAt),
    check('repurposing_purpose', oneOf(t.purpose, SHOT_PURPOSES)),
    check('repurposing_fault', oneOf(t.faultShown, FAULTS_SHOWN)),
  ],
)

/** A photo of a shot; the picture itself is kept as free text, so that an erasure blanks it with the rest. */
export const photo = pgTable(
  'photo',
  {
    academyId: academyId(),
    photoId: uuid('photo_id').notNull(),
    shotId: uuid('shot_id').notNull(),
    takenBy: uuid('taken_by').notNull(),
    takenAt: instant('taken_at').notNull(),
    receivedAt: instant('received_at').notNull(),
    pictureTextId: uuid('picture_text_id').notNull(),
    bodyDigest: text('body_digest').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.photoId] }),
    foreignKey({
      name: 'photo_shot',
      columns: [t.academyId, t.shotId],
      foreignColumns: [shot.academyId, shot.shotId],
    }),
    foreignKey({ columns: [t.academyId, t.takenBy], foreignColumns: [person.academyId, person.personId] }),
    foreignKey({
      columns: [t.academyId, t.pictureTextId],
      foreignColumns: [freeText.academyId, freeText.textId],
    }),
    index('photo_of_shot').on(t.academyId, t.shotId, t.takenAt),
  ],
)
