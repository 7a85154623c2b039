import type { ReadingKind } from '@calm-apron/core'
import { type SQL, sql } from 'drizzle-orm'
import { anyOf } from '../database/anyOf.ts'
import { behindEnd } from '../database/behindEnd.ts'
import { shot } from '../database/schema/index.ts'
import { isWithheldYet } from './awaitsCall.ts'

/** Midnight of a date where the academy is. */
function startOfDay(day: 'from' | 'until'): SQL {
  return sql`(${sql.placeholder(day)}::timestamp at time zone
    (select time_zone from academy where academy_id = ${shot.academyId}))`
}

/** How a reading of a shot stood. */
function stood(reading: ReadingKind): SQL {
  return sql`exists (select from shot_said s where s.academy_id = ${shot.academyId} and s.shot_id = ${shot.shotId}
    and s.${sql.identifier(reading)} = ${sql.placeholder('standing')})`
}

/** What may be asked of the shots of a list. */
export const SHOT_FILTERS = {
  academyId: sql`${shot.academyId} = ${sql.placeholder('academyId')}`,
  personId: sql`${shot.personId} = ${sql.placeholder('personId')}`,
  grinderId: sql`${shot.grinderId} = ${sql.placeholder('grinderId')}`,
  trainingId: sql`${shot.trainingId} = ${sql.placeholder('trainingId')}`,
  bagId: sql`${shot.bagId} = ${sql.placeholder('bagId')}`,
  coffeeId: sql`${shot.bagId} in (select prepared_id from prepared where parent_id = ${sql.placeholder('coffeeId')})`,
  recipeId: sql`${shot.recipeRevisionId} in (select revision_id from prepared_revision where prepared_id = ${sql.placeholder('recipeId')})`,
  purpose: sql`${shot.purpose} = ${sql.placeholder('purpose')}`,
  cause: sql`exists (select from shot_said s where s.academy_id = ${shot.academyId} and s.shot_id = ${shot.shotId}
    and s.cause = ${sql.placeholder('cause')})`,
  doseStood: stood('dose'),
  tampStood: stood('tamp'),
  yieldStood: stood('yield'),
  timeStood: stood('time'),
  tasteStood: stood('taste'),
  from: sql`${shot.pulledAt} >= ${startOfDay('from')}`,
  until: sql`${shot.pulledAt} < ${startOfDay('until')} + interval '1 day'`,
  before: sql`${shot.pulledAt} < ${sql.placeholder('before')}::timestamptz`,
  // Whatever people wrote of a shot that stands on its page; what was erased is blank, and found by nobody.
  text: sql`${shot.shotId} in (
    with found as materialized (select text_id from free_text where content ilike ${sql.placeholder('text')})
    select r.shot_id from shot_revision r join found on found.text_id = r.note_text_id
    union select r.shot_id from shot_revision r join found on found.text_id = r.reason_text_id
    union select r.shot_id from ruling r join found on found.text_id = r.reason_text_id)`,
  shotIds: anyOf(shot.shotId, sql.placeholder('shotIds')),
  after: behindEnd(shot.pulledAt, shot.shotId),
  isOpenOnly: sql`not ${isWithheldYet}`,
}

/** Of one academy, person, grinder or training, or of these, the newest are read off an index; what else is asked may be so of all or of hardly any. */
export const FOUND_ALIKE = [
  'academyId',
  'personId',
  'grinderId',
  'trainingId',
  'shotIds',
  'after',
  'isOpenOnly',
] as const
