import { SHOT_PURPOSES, SKILL_RULES, isCounted, isOfDialIn } from '@calm-apron/core'
import type { BesideSkill, BriefSkill, Call, FamilySkill, Ruling, ShotSummary } from '@calm-apron/contract'
import { and, asc, desc, eq, isNull, lt, or, sql } from 'drizzle-orm'
import { anyOf } from '../database/anyOf.ts'
import { keptQuery } from '../database/keptQuery.ts'
import type { AcademyTransaction, Database } from '../database/pool.ts'
import { call, person, ruling, shot, skill } from '../database/schema/index.ts'
import { isWithheldYet } from '../shots/awaitsCall.ts'
import { type ShotsAndRecipes, shotPageQuery, shotsAndRecipes, summariesOf } from '../shots/queries.ts'

/** So long a worker has somebody in hand before another takes them up. */
const CLAIM_MS = 30_000
/** Older shots weigh next to nothing. */
const WEIGHED_SHOTS = 200
/** Others' shots, by which a bar's drift is told. */
const BESIDE_SHOTS = 400

/** The academies in which somebody's figures are behind, or of other rules. */
export async function academiesBehind(database: Database, rulesVersion: number): Promise<string[]> {
  const { rows } = await database.$client.query<{ academy_id: string }>(
    'select skill_behind($1) as academy_id',
    [rulesVersion],
  )
  return rows.map(({ academy_id }) => academy_id)
}

/** Somebody taken in hand, and how many changes there were by then. */
export interface Claimed {
  personId: string
  changes: number
}

/** Takes whoever has been behind the longest; null where nobody is, or others have them in hand. */
export async function claimBehind(
  transaction: AcademyTransaction,
  rulesVersion: number,
  now: Date,
): Promise<Claimed | null> {
  const longest = transaction
    .select({ personId: skill.personId })
    .from(skill)
    .where(
      and(
        or(eq(skill.isBehind, true), sql`${skill.rulesVersion} is distinct from ${rulesVersion}`),
        or(isNull(skill.claimedUntil), lt(skill.claimedUntil, now)),
      ),
    )
    .orderBy(asc(skill.changedAt))
    .limit(1)
    .for('update', { skipLocked: true })
  const [claimed] = await transaction
    .update(skill)
    .set({ claimedUntil: new Date(now.getTime() + CLAIM_MS) })
    .where(eq(skill.personId, longest))
    .returning({ personId: skill.personId, changes: skill.changes })
  return claimed ?? null
}

/** Keeps what was worked out; who changed meanwhile stays behind. */
export async function keepSkill(
  transaction: AcademyTransaction,
  { personId, changes }: Claimed,
  worked: {
    figures: FamilySkill[]
    brief: BriefSkill[]
    beside: BesideSkill
    rulesVersion: number
    workedOutAt: Date
  },
): Promise<void> {
  await transaction
    .update(skill)
    .set({ ...worked, claimedUntil: null, isBehind: sql`${skill.changes} <> ${changes}` })
    .where(eq(skill.personId, personId))
}

const COUNTED = SHOT_PURPOSES.filter(isCounted)

const shotsOfPerson = keptQuery((builder) =>
  shotPageQuery(
    builder,
    and(
      sql`${shot.academyId} = ${sql.placeholder('academyId')}`,
      sql`${shot.personId} = ${sql.placeholder('personId')}`,
      anyOf(shot.purpose, sql.placeholder('purposes')),
      eq(shot.isSimulated, false),
      // What waits for their call is sealed to them, and would show in the figures.
      sql`not ${isWithheldYet}`,
    ),
  ),
)

/** A person's newest shots of those that count, newest first. */
export async function countedShots(
  transaction: AcademyTransaction,
  academyId: string,
  personId: string,
): Promise<ShotSummary[]> {
  const asked = { academyId, personId, purposes: COUNTED }
  return summariesOf(transaction, await shotsOfPerson(transaction, asked, WEIGHED_SHOTS))
}

const DIALLED_IN = SHOT_PURPOSES.filter(isOfDialIn)
/** Enough for the newest ten times. */
const DIAL_IN_SHOTS = 60

/** A person's newest shots for dialling in, newest first. */
export async function dialInShots(
  transaction: AcademyTransaction,
  academyId: string,
  personId: string,
): Promise<ShotSummary[]> {
  const asked = { academyId, personId, purposes: DIALLED_IN }
  return summariesOf(transaction, await shotsOfPerson(transaction, asked, DIAL_IN_SHOTS))
}

const shotsBeside = keptQuery((builder) =>
  shotPageQuery(
    builder,
    and(
      sql`${shot.academyId} = ${sql.placeholder('academyId')}`,
      anyOf(shot.trainingId, sql.placeholder('trainingIds')),
      sql`${shot.personId} <> ${sql.placeholder('personId')}`,
      eq(shot.isSimulated, false),
    ),
  ),
)

/** What others pulled in the same trainings. */
export async function othersShots(
  transaction: AcademyTransaction,
  academyId: string,
  personId: string,
  trainingIds: readonly string[],
): Promise<ShotSummary[]> {
  if (trainingIds.length === 0) return []
  const asked = { academyId, personId, trainingIds }
  return summariesOf(transaction, await shotsBeside(transaction, asked, BESIDE_SHOTS))
}

/** A day's shots, by which it is told what the bar does. */
const DAY_SHOTS = 300

const shotsSince = keptQuery((builder) =>
  shotPageQuery(
    builder,
    and(
      sql`${shot.academyId} = ${sql.placeholder('academyId')}`,
      sql`${shot.pulledAt} >= ${sql.placeholder('since')}::timestamptz`,
      anyOf(shot.purpose, sql.placeholder('purposes')),
      eq(shot.isSimulated, false),
    ),
  ),
)

/** Everyone's shots since then of those that count, newest first. */
export async function shotsOfDay(
  transaction: AcademyTransaction,
  academyId: string,
  since: Date,
): Promise<ShotsAndRecipes> {
  const asked = { academyId, since: since.toISOString(), purposes: COUNTED }
  return shotsAndRecipes(transaction, await shotsSince(transaction, asked, DAY_SHOTS))
}

const finalCalls = keptQuery((builder) =>
  builder
    .select({
      shotId: call.shotId,
      personId: call.personId,
      verdict: call.verdict,
      cause: call.cause,
      move: call.move,
    })
    .from(call)
    .where(
      and(
        anyOf(call.shotId, sql.placeholder('shotIds')),
        eq(call.stage, 'final'),
        sql`${call.verdict} is not null`,
      ),
    ),
)

/** The last word of whoever pulled each of these, by shot. */
export async function lastWords(
  transaction: AcademyTransaction,
  shots: readonly Pick<ShotSummary, 'shotId' | 'personId'>[],
): Promise<Map<string, Pick<Call, 'verdict' | 'cause' | 'move'>>> {
  if (shots.length === 0) return new Map()
  const pulledBy = new Map(shots.map(({ shotId, personId }) => [shotId, personId]))
  const rows = await finalCalls(transaction, { shotIds: [...pulledBy.keys()] })
  const own = rows.filter(({ shotId, personId }) => pulledBy.get(shotId) === personId)
  return new Map(own.map(({ shotId, verdict, cause, move }) => [shotId, { verdict, cause, move }]))
}

const newestRulings = keptQuery((builder) =>
  builder
    .selectDistinctOn([ruling.shotId], {
      shotId: ruling.shotId,
      verdict: ruling.verdict,
      cause: ruling.cause,
      move: ruling.move,
    })
    .from(ruling)
    .where(anyOf(ruling.shotId, sql.placeholder('shotIds')))
    .orderBy(asc(ruling.shotId), desc(ruling.ruledAt), desc(ruling.rulingId)),
)

/** How trainers read these shots otherwise, the last of them by shot. */
export async function lastRulings(
  transaction: AcademyTransaction,
  shotIds: readonly string[],
): Promise<Map<string, Pick<Ruling, 'verdict' | 'cause' | 'move'>>> {
  const rows = await newestRulings(transaction, { shotIds })
  return new Map(rows.map(({ shotId, ...said }) => [shotId, said]))
}

/** Somebody as they were worked out last. */
export interface KeptSkill<F> {
  personId: string
  workedOutAt: Date | null
  isBehind: boolean
  families: F[]
}

const STANDS = {
  personId: person.personId,
  workedOutAt: skill.workedOutAt,
  isBehind: skill.isBehind,
  rulesVersion: skill.rulesVersion,
}

const briefs = keptQuery((builder) =>
  builder
    .select({ ...STANDS, brief: skill.brief })
    .from(person)
    .leftJoin(skill, and(eq(skill.academyId, person.academyId), eq(skill.personId, person.personId)))
    .where(and(eq(person.role, 'trainee'), isNull(person.endedAt)))
    .orderBy(asc(person.personId)),
)

/** Everyone who learns here, in brief. */
export async function listBriefs(transaction: AcademyTransaction): Promise<KeptSkill<BriefSkill>[]> {
  return (await briefs(transaction, {})).map(({ brief, ...row }) => kept(row, brief))
}

/** One person's figures; null where there is no such person. */
export async function findSkill(
  transaction: AcademyTransaction,
  personId: string,
): Promise<(KeptSkill<FamilySkill> & { beside: BesideSkill | null }) | null> {
  const [row] = await figuresOf(transaction, { personId })
  if (row === undefined) return null
  const { figures, beside, ...rest } = row
  return { ...kept(rest, figures), beside: stands(rest) ? beside : null }
}

const figuresOf = keptQuery((builder) =>
  builder
    .select({ ...STANDS, figures: skill.figures, beside: skill.beside })
    .from(person)
    .leftJoin(skill, and(eq(skill.academyId, person.academyId), eq(skill.personId, person.personId)))
    .where(sql`${person.personId} = ${sql.placeholder('personId')}`),
)

interface Row {
  personId: string
  workedOutAt: Date | null
  isBehind: boolean | null
  rulesVersion: number | null
}

/** Figures of other rules may not even be of today's shape: they are not told. */
function kept<F>(row: Row, families: F[] | null): KeptSkill<F> {
  const { personId, workedOutAt, isBehind, rulesVersion } = row
  return {
    personId,
    workedOutAt: stands(row) ? workedOutAt : null,
    isBehind: isBehind === true || (rulesVersion !== null && !stands(row)),
    families: (stands(row) ? families : null) ?? [],
  }
}

const stands = ({ rulesVersion }: Row) => rulesVersion === SKILL_RULES
