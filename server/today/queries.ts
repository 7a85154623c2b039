import type { RecipeRevision, TodayPerson } from '@calm-apron/contract'
import { and, asc, eq, gt, inArray, sql } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import { person, personName, prepared, preparedRevision } from '../database/schema/index.ts'
import { toRecipeRevision } from '../prepare/recipeRevision.ts'

/** People of the academy by name; those whose account has ended too, because records name them. */
export async function listPeople(transaction: AcademyTransaction): Promise<TodayPerson[]> {
  const rows = await transaction
    .select({
      personId: person.personId,
      displayName: personName.displayName,
      role: person.role,
      endedAt: person.endedAt,
    })
    .from(person)
    .innerJoin(personName, eq(personName.personId, person.personId))
    .orderBy(asc(personName.displayName), asc(person.personId))
  return rows.map(({ endedAt, ...rest }) => ({ ...rest, isActive: endedAt === null }))
}

/** Revisions of recipes that were replaced, or put away, since an instant: a shot begun before may still come in by them. */
export async function recipesReplacedSince(
  transaction: AcademyTransaction,
  since: Date,
): Promise<RecipeRevision[]> {
  const recent = transaction
    .select({ preparedId: preparedRevision.preparedId })
    .from(preparedRevision)
    .where(gt(preparedRevision.changedAt, since))
  const rows = await transaction
    .select({ revision: preparedRevision })
    .from(prepared)
    .innerJoin(preparedRevision, eq(preparedRevision.preparedId, prepared.preparedId))
    .where(
      and(
        eq(prepared.kind, 'recipe'),
        sql`(${preparedRevision.revisionNo} < ${prepared.revisionNo} and ${inArray(prepared.preparedId, recent)}
          or ${prepared.archivedAt} > ${since.toISOString()}::timestamptz)`,
      ),
    )
  return rows.map(({ revision }) => toRecipeRevision(revision))
}
