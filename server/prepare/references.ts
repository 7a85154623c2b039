import type { FieldError, PreparedInput, PreparedKind } from '@calm-apron/contract'
import { PARENT_KIND } from '@calm-apron/contract'

/** One id that a thing names: where, and of what kind the thing behind it must be. */
export interface Reference {
  path: string
  kind: PreparedKind
  preparedId: string
}

/** Every other prepared thing that this one names. */
export function referencesOf(thing: PreparedInput): Reference[] {
  const parentKind = PARENT_KIND[thing.kind]
  const parent: Reference[] =
    parentKind === null || thing.parentId === null
      ? []
      : [{ path: 'parentId', kind: parentKind, preparedId: thing.parentId }]
  return [...parent, ...basketsOf(thing)]
}

function basketsOf(thing: PreparedInput): Reference[] {
  const basket = (path: string, preparedId: string | null): Reference[] =>
    preparedId === null ? [] : [{ path, kind: 'basket', preparedId }]
  if (thing.kind === 'recipe') return basket('content.method.basketId', thing.content.method.basketId)
  if (thing.kind !== 'machine') return []
  return thing.content.groups.flatMap(({ basketId }, index) =>
    basket(`content.groups.${index}.basketId`, basketId),
  )
}

/** One refused field for each reference that leads nowhere, or to another kind of thing. */
export function brokenReferences(
  references: readonly Reference[],
  kinds: ReadonlyMap<string, PreparedKind>,
): FieldError[] {
  return references
    .filter(({ preparedId, kind }) => kinds.get(preparedId) !== kind)
    .map(({ path }) => unknownId(path))
}

export function unknownId(path: string): FieldError {
  return { path, reason: 'unknown-id', message: 'There is nothing by this id.' }
}
