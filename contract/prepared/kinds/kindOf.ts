import type { KindDefinition } from './definedKind.ts'
import { KINDS, type PreparedKind, type RoomKind } from './kinds.ts'

// The keys of a literal object; Object.keys only knows them as strings.
/** Every kind of thing that is prepared. */
export const PREPARED_KINDS = Object.keys(KINDS) as [PreparedKind, ...PreparedKind[]]

/** A kind as it is defined, for whoever takes any. */
export function kindOf(kind: PreparedKind): KindDefinition {
  return KINDS[kind]
}

/** Whether things of a kind stand in a room. */
export function isOfRoom(kind: PreparedKind): kind is RoomKind {
  return kindOf(kind).parent === 'bar'
}

/** Kinds in the order in which a file is taken: what others belong to, or name, comes first. */
export const IMPORT_ORDER: readonly PreparedKind[] = ordered()

function ordered(): PreparedKind[] {
  const done: PreparedKind[] = []
  const take = (kind: PreparedKind) => {
    if (done.includes(kind)) return
    PREPARED_KINDS.filter((other) => neededBy(kind).includes(other)).forEach(take)
    done.push(kind)
  }
  PREPARED_KINDS.forEach(take)
  return done
}

function neededBy(kind: PreparedKind): readonly string[] {
  const { parent, namedKinds = [] } = kindOf(kind)
  return parent === null ? namedKinds : [parent, ...namedKinds]
}
