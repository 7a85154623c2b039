import { PREPARED_KINDS, type RoomKind, isOfRoom, kindOf } from '@calm-apron/contract'

/** Kinds of which a room holds any number, in the order in which they are shown. */
export const ROOM_KINDS: readonly RoomKind[] = PREPARED_KINDS.filter(isOfRoom)

/** What a new piece begins as; numbers that only its owner knows are left to be filled in. */
export function newEquipment(kind: RoomKind): Record<string, unknown> {
  return { ...kindOf(kind).begins }
}
