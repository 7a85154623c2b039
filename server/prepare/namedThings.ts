import type { FieldError, PreparedKind } from '@calm-apron/contract'
import type { AcademyTransaction } from '../database/pool.ts'
import { Refusal } from '../refusal.ts'
import { kindOfRevision, kindsOf } from './queries.ts'

/** A field that names a prepared thing; null where it names none. */
export type Named = [path: string, kind: PreparedKind, preparedId: string | null]

/** Those that lead nowhere in this academy, or to something else. What is another academy’s is not there. */
export async function wrongNames(
  transaction: AcademyTransaction,
  named: readonly Named[],
): Promise<FieldError[]> {
  const kinds = await kindsOf(
    transaction,
    named.flatMap(([, , preparedId]) => preparedId ?? []),
  )
  return named
    .filter(([, kind, preparedId]) => preparedId !== null && kinds.get(preparedId) !== kind)
    .map(([path]) => unknownId(path))
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

export function unknownId(path: string): FieldError {
  return { path, reason: 'unknown-id', message: 'There is nothing by this id.' }
}
