import { BOUNDS, type StoredNotes } from '@calm-apron/contract'
import {
  ABANDONMENTS,
  type AsItStood,
  FAULTS_SHOWN,
  type FaultShown,
  DOSE_METHODS,
  FIRST_DROPS,
  GRIND_OWNERS,
  MARK_PLACES,
  PUCKS,
  SHOT_PURPOSES,
  SIDES,
  STREAMS,
  TILTS,
  type TasteTargets,
} from '@calm-apron/core'
import { sql } from 'drizzle-orm'
import {
  bigint,
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
  uuid,
} from 'drizzle-orm/pg-core'
import { person } from './academy.ts'
import { academyId, between, instant, measured, oneOf } from './columns.ts'
import { freeText } from './person.ts'
import { prepared, preparedRevision } from './prepared.ts'

/** Who pulled what, by which recipe, with what; its facts stand in `shot_revision`. */
export const shot = pgTable(
  'shot',
  {
    academyId: academyId(),
    shotId: uuid('shot_id').notNull(),
    personId: uuid('person_id').notNull(),
    recipeRevisionId: uuid('recipe_revision_id').notNull(),
    barId: uuid('bar_id').notNull(),
    grinderId: uuid('grinder_id'),
    bagId: uuid('bag_id'),
    /** The device's own time; where its clock was ahead, when it arrived. */
    pulledAt: instant('pulled_at').notNull(),
    clockAheadS: bigint('clock_ahead_s', { mode: 'number' }),
    machineId: uuid('machine_id'),
    groupNo: smallint('group_no'),
    /** No foreign key: a shot is never refused for the training it was pulled in, whichever arrives first. */
    trainingId: uuid('training_id'),
    purpose: text('purpose', { enum: SHOT_PURPOSES }).notNull().default('practice'),
    faultShown: text('fault_shown').$type<FaultShown>(),
    isSimulated: boolean('is_simulated').notNull().default(false),
    /** What it was pulled with, as it stood then. */
    stood: jsonb('stood').$type<AsItStood>().notNull(),
    grindOwner: text('grind_owner', { enum: GRIND_OWNERS }).notNull().default('trainee'),
    isCallAsked: boolean('is_call_asked').notNull().default(false),
    /** Null, as of former releases: with the call, and always. */
    isFirstCallAsked: boolean('is_first_call_asked'),
    areNotesAsked: boolean('are_notes_asked'),
    /** The set it was pulled in. No foreign key: whichever arrives first. */
    assessmentId: uuid('assessment_id'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.shotId] }),
    foreignKey({
      name: 'shot_person',
      columns: [t.academyId, t.personId],
      foreignColumns: [person.academyId, person.personId],
    }),
    foreignKey({
      name: 'shot_recipe_revision',
      columns: [t.academyId, t.recipeRevisionId],
      foreignColumns: [preparedRevision.academyId, preparedRevision.revisionId],
    }),
    foreignKey({
      name: 'shot_bar',
      columns: [t.academyId, t.barId],
      foreignColumns: [prepared.academyId, prepared.preparedId],
    }),
    foreignKey({
      name: 'shot_grinder',
      columns: [t.academyId, t.grinderId],
      foreignColumns: [prepared.academyId, prepared.preparedId],
    }),
    foreignKey({
      name: 'shot_bag',
      columns: [t.academyId, t.bagId],
      foreignColumns: [prepared.academyId, prepared.preparedId],
    }),
    // Read backwards for "newest first"; written as descending they would sort nulls last and not serve the query.
    index('shot_by_time').on(t.academyId, t.pulledAt, t.shotId),
    index('shot_of_person_by_time').on(t.academyId, t.personId, t.pulledAt, t.shotId),
    index('shot_of_bag_by_time').on(t.academyId, t.bagId, t.pulledAt),
    index('shot_of_grinder_by_time').on(t.academyId, t.grinderId, t.pulledAt, t.shotId),
    index('shot_of_dial_in_by_time')
      .on(t.academyId, t.grinderId, t.pulledAt)
      .where(sql`${t.purpose} in ('dial-in', 'experiment')`),
    index('shot_of_machine_by_time').on(t.academyId, t.machineId, t.pulledAt),
    index('shot_of_assessment')
      .on(t.academyId, t.assessmentId)
      .where(sql`${t.assessmentId} is not null`),
    index('shot_of_training_by_time').on(t.academyId, t.trainingId, t.pulledAt, t.shotId),
    foreignKey({
      name: 'shot_machine',
      columns: [t.academyId, t.machineId],
      foreignColumns: [prepared.academyId, prepared.preparedId],
    }),
    check('shot_purpose', oneOf(t.purpose, SHOT_PURPOSES)),
    check('shot_fault_shown', oneOf(t.faultShown, FAULTS_SHOWN)),
    check('shot_grind_owner', oneOf(t.grindOwner, GRIND_OWNERS)),
  ],
)

/** The facts of a shot as observed, raw; a correction is a further row. Unknown is null. */
export const shotRevision = pgTable(
  'shot_revision',
  {
    academyId: academyId(),
    revisionId: uuid('revision_id').notNull(),
    shotId: uuid('shot_id').notNull(),
    revisionNo: integer('revision_no').notNull(),
    /** Of the body that made it, so that a repeated request is told from a different one. */
    bodyDigest: text('body_digest').notNull(),
    reasonTextId: uuid('reason_text_id'),
    /** Who stood at the tablet and judged; null for what was recorded before people signed in. */
    judgedBy: uuid('judged_by'),
    /** Whether they taught then. */
    isJudgeTeaching: boolean('is_judge_teaching').notNull().default(true),
    recordedAt: instant('recorded_at').notNull(),
    receivedAt: instant('received_at').notNull(),
    grindSetting: measured('grind_setting'),
    grinderPurged: boolean('grinder_purged'),
    machineHot: boolean('machine_hot'),
    basketDry: boolean('basket_dry'),
    basketClean: boolean('basket_clean'),
    rightBasket: boolean('right_basket'),
    bedEven: boolean('bed_even'),
    doseNetG: measured('dose_net_g'),
    doseGrossG: measured('dose_gross_g'),
    doseTareG: measured('dose_tare_g'),
    doseVesselId: uuid('dose_vessel_id'),
    /** By which mark or count a dose was seen that nobody weighed; where it stood, or how many went in. */
    doseSeenBy: text('dose_seen_by', { enum: DOSE_METHODS }),
    doseSeenAt: text('dose_seen_at', { enum: MARK_PLACES }),
    doseCount: measured('dose_count'),
    tampTilt: text('tamp_tilt', { enum: TILTS }),
    tampLowSide: text('tamp_low_side', { enum: SIDES }),
    tampSettled: boolean('tamp_settled'),
    firstDrop: text('first_drop', { enum: FIRST_DROPS }),
    firstDropS: measured('first_drop_s'),
    preinfusionEndS: measured('preinfusion_end_s'),
    stopS: measured('stop_s'),
    lastDripS: measured('last_drip_s'),
    timesEstimated: boolean('times_estimated'),
    cupNetG: measured('cup_net_g'),
    cupGrossG: measured('cup_gross_g'),
    cupTareG: measured('cup_tare_g'),
    cupVesselId: uuid('cup_vessel_id'),
    abandoned: text('abandoned', { enum: ABANDONMENTS }),
    sour: smallint('sour'),
    sweet: smallint('sweet'),
    bitter: smallint('bitter'),
    body: smallint('body'),
    dryness: smallint('dryness'),
    stream: text('stream', { enum: STREAMS }),
    puck: text('puck', { enum: PUCKS }),
    /** What it was meant to be, where dialling in took it off its recipe. */
    doseWantedG: measured('dose_wanted_g'),
    yieldWantedG: measured('yield_wanted_g'),
    tasteWanted: jsonb('taste_wanted').$type<TasteTargets>(),
    cupMl: measured('cup_ml'),
    tampForceN: measured('tamp_force_n'),
    leadG: measured('lead_g'),
    /** In the shape that the contract's shot notes had in this version. */
    noted: jsonb('noted').$type<StoredNotes>(),
    notedVersion: smallint('noted_version').notNull().default(1),
    noteTextId: uuid('note_text_id'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.revisionId] }),
    foreignKey({
      name: 'shot_revision_shot',
      columns: [t.academyId, t.shotId],
      foreignColumns: [shot.academyId, shot.shotId],
    }),
    foreignKey({
      name: 'shot_dose_vessel',
      columns: [t.academyId, t.doseVesselId],
      foreignColumns: [prepared.academyId, prepared.preparedId],
    }),
    foreignKey({
      name: 'shot_cup_vessel',
      columns: [t.academyId, t.cupVesselId],
      foreignColumns: [prepared.academyId, prepared.preparedId],
    }),
    foreignKey({
      name: 'shot_revision_judged_by',
      columns: [t.academyId, t.judgedBy],
      foreignColumns: [person.academyId, person.personId],
    }),
    foreignKey({
      name: 'shot_revision_reason',
      columns: [t.academyId, t.reasonTextId],
      foreignColumns: [freeText.academyId, freeText.textId],
    }),
    foreignKey({
      name: 'shot_revision_note',
      columns: [t.academyId, t.noteTextId],
      foreignColumns: [freeText.academyId, freeText.textId],
    }),
    // Also the index by which the newest revision of a shot is found.
    unique('shot_revision_once').on(t.academyId, t.shotId, t.revisionNo),
    // By what was written a shot is looked for.
    index('shot_revision_by_note')
      .on(t.academyId, t.noteTextId)
      .where(sql`${t.noteTextId} is not null`),
    index('shot_revision_by_reason')
      .on(t.academyId, t.reasonTextId)
      .where(sql`${t.reasonTextId} is not null`),
    check(
      'shot_dose_one_way',
      sql`num_nonnulls(${t.doseNetG}, ${t.doseGrossG}) <= 1 and (${t.doseGrossG} is null) = (${t.doseTareG} is null)`,
    ),
    check(
      'shot_dose_seen_or_weighed',
      sql`num_nonnulls(${t.doseSeenAt}, ${t.doseCount}) = num_nonnulls(${t.doseSeenBy}) and num_nonnulls(${t.doseSeenBy}, ${t.doseNetG}, ${t.doseGrossG}) <= 1`,
    ),
    // A check passes on null, so each part is made a number first.
    check(
      'shot_dose_positive',
      sql`coalesce(${t.doseNetG}, ${t.doseGrossG} - ${t.doseTareG}, 1) > 0 and coalesce(${t.doseTareG}, 0) >= 0`,
    ),
    check(
      'shot_cup_one_way',
      sql`num_nonnulls(${t.cupNetG}, ${t.cupGrossG}) <= 1 and (${t.cupGrossG} is null) = (${t.cupTareG} is null)`,
    ),
    check(
      'shot_cup_not_negative',
      sql`coalesce(${t.cupNetG}, ${t.cupGrossG} - ${t.cupTareG}, 0) >= 0 and coalesce(${t.cupTareG}, 0) >= 0`,
    ),
    check('shot_clock_whole', sql`num_nulls(${t.firstDrop}, ${t.stopS}, ${t.timesEstimated}) in (0, 3)`),
    // A choked shot that is stopped before any drop can be: then there is no first drop at all.
    check(
      'shot_first_drop_marked',
      sql`(${t.firstDrop} is not distinct from 'marked') = (${t.firstDropS} is not null)`,
    ),
    check(
      'shot_instants_in_order',
      sql`${t.stopS} >= coalesce(${t.firstDropS}, 0) and coalesce(${t.firstDropS}, 0) >= 0`,
    ),
    check(
      'shot_release_and_last_drip_in_order',
      sql`coalesce(${t.preinfusionEndS} <= ${t.stopS}, ${t.preinfusionEndS} is null) and coalesce(${t.lastDripS} >= ${t.stopS}, ${t.lastDripS} is null)`,
    ),
    check('shot_low_side_tilted', sql`${t.tampLowSide} is null or coalesce(${t.tampTilt} <> 'level', false)`),
    check('shot_dose_seen_by', oneOf(t.doseSeenBy, DOSE_METHODS)),
    check('shot_dose_seen_at', oneOf(t.doseSeenAt, MARK_PLACES)),
    check('shot_tamp_tilt', oneOf(t.tampTilt, TILTS)),
    check('shot_tamp_low_side', oneOf(t.tampLowSide, SIDES)),
    check('shot_first_drop', oneOf(t.firstDrop, FIRST_DROPS)),
    check('shot_abandoned', oneOf(t.abandoned, ABANDONMENTS)),
    check('shot_stream', oneOf(t.stream, STREAMS)),
    check('shot_puck', oneOf(t.puck, PUCKS)),
    ...[t.sour, t.sweet, t.bitter, t.body, t.dryness].map((axis) =>
      check(`shot_${axis.name}`, between(axis, BOUNDS.taste)),
    ),
  ],
)

/** What sensors saw of a shot, packed; one row a shot, and never corrected. */
export const shotSeries = pgTable(
  'shot_series',
  {
    academyId: academyId(),
    shotId: uuid('shot_id').notNull(),
    weight: text('weight'),
    pressure: text('pressure'),
  },
  (t) => [
    primaryKey({ columns: [t.academyId, t.shotId] }),
    foreignKey({
      name: 'shot_series_shot',
      columns: [t.academyId, t.shotId],
      foreignColumns: [shot.academyId, shot.shotId],
    }),
  ],
)
