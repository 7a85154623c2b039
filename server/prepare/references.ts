import type { FieldError, NamedThing, PreparedKind } from '@calm-apron/contract'

/** One refused field for each reference that leads nowhere, or to another kind of thing. */
export function brokenReferences(
  references: readonly NamedThing[],
  kinds: ReadonlyMap<string, PreparedKind>,
): FieldError[] {
  return references
    .filter(({ preparedId, kind }) => kinds.get(preparedId) !== kind)
    .map(({ path }) => unknownId(path))
}

export function unknownId(path: string): FieldError {
  return { path, reason: 'unknown-id', message: 'There is nothing by this id.' }
}
