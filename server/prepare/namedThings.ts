import type { FieldError, PreparedKind } from '@calm-apron/contract'
import type { AcademyTransaction } from '../database/pool.ts'
import { Refusal } from '../refusal.ts'
import { kindOfRevision, kindsOf } from './queries.ts'
import { type Reference, brokenReferences, unknownId } from './references.ts'

/** A field that names a prepared thing; null where it names none. */
export type Named = [path: string, kind: PreparedKind, preparedId: string | null]

/** Those that lead nowhere in this academy, or to something else. What is another academy’s is not there. */
export async function wrongNames(
  transaction: AcademyTransaction,
  named: readonly Named[],
): Promise<FieldError[]> {
  return wrongReferences(
    transaction,
    named.flatMap(([path, kind, preparedId]) => (preparedId === null ? [] : [{ path, kind, preparedId }])),
  )
}

export async function wrongReferences(
  transaction: AcademyTransaction,
  references: readonly Reference[],
): Promise<FieldError[]> {
  const kinds = await kindsOf(
    transaction,
    references.map(({ preparedId }) => preparedId),
  )
  return brokenReferences(references, kinds)
}

/** The same of a revision of a recipe. */
export async function wrongRecipe(
  transaction: AcademyTransaction,
  path: string,
  recipeRevisionId: string,
): Promise<FieldError[]> {
  return (await kindOfRevision(transaction, recipeRevisionId)) === 'recipe' ? [] : [unknownId(path)]
}

/** @throws {Refusal} `invalid-input` naming each field that leads elsewhere */
export function refuseWrong(errors: readonly FieldError[]): void {
  if (errors.length > 0) throw new Refusal('invalid-input', 'What it names is not there.', errors)
}
