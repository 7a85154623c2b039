import type { FieldError, NamedThing, PreparedKind } from '@calm-apron/contract'
import type { AcademyTransaction } from '../database/pool.ts'
import { Refusal } from '../refusal.ts'
import { kindsBehind, kindsOf } from './queries.ts'
import { brokenReferences, unknownId } from './references.ts'

/** A field that names a prepared thing; null where it names none. */
export type Named = [path: string, kind: PreparedKind, preparedId: string | null]

/** Those that lead nowhere in this academy, or to something else. What is another academy’s is not there. */
export async function wrongNames(
  transaction: AcademyTransaction,
  named: readonly Named[],
): Promise<FieldError[]> {
  return wrongReferences(transaction, referencesIn(named))
}

function referencesIn(named: readonly Named[]): NamedThing[] {
  return named.flatMap(([path, kind, preparedId]) =>
    preparedId === null ? [] : [{ path, kind, preparedId }],
  )
}

export async function wrongReferences(
  transaction: AcademyTransaction,
  references: readonly NamedThing[],
): Promise<FieldError[]> {
  const kinds = await kindsOf(
    transaction,
    references.map(({ preparedId }) => preparedId),
  )
  return brokenReferences(references, kinds)
}

/** The same of things, and of revisions that must be recipes'. */
export async function wrongNamesAndRecipe(
  transaction: AcademyTransaction,
  named: readonly Named[],
  ...recipes: readonly (readonly [path: string, recipeRevisionId: string])[]
): Promise<FieldError[]> {
  const references = referencesIn(named)
  const ids = references.map(({ preparedId }) => preparedId)
  const { kinds, ofRevisions } = await kindsBehind(
    transaction,
    ids,
    recipes.map(([, revisionId]) => revisionId),
  )
  return [
    ...brokenReferences(references, kinds),
    ...recipes.flatMap(([path, revisionId]) =>
      ofRevisions.get(revisionId) === 'recipe' ? [] : [unknownId(path)],
    ),
  ]
}

/** @throws {Refusal} `invalid-input` naming each field that leads elsewhere */
export function refuseWrong(errors: readonly FieldError[]): void {
  if (errors.length > 0) throw new Refusal('invalid-input', 'What it names is not there.', errors)
}
