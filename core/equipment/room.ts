export const ROOM_PARTS = [
  'machine',
  'group-basket',
  'grinder',
  'basket',
  'portafilter',
  'cup',
  'tamper',
  'scale',
  'water',
  'recipe',
  'coffee',
  'bench',
] as const
/** What a room needs before anyone pulls, in the order in which one would see to it. */
export type RoomPart = (typeof ROOM_PARTS)[number]

/** What of it is there; the coffee must be open and neither too fresh nor past. */
export type RoomState = Record<RoomPart, boolean>

/** Without these a shot can be pulled and read all the same, only less well. */
const CAN_WAIT: readonly RoomPart[] = ['cup', 'scale', 'water', 'bench']

/** What is missing for a first shot, what could be added later, and whether the room is ready to pull. */
export function roomReadiness(state: RoomState): {
  isReady: boolean
  missing: RoomPart[]
  later: RoomPart[]
} {
  const lacking = ROOM_PARTS.filter((part) => !state[part])
  const missing = lacking.filter((part) => !CAN_WAIT.includes(part))
  return { isReady: missing.length === 0, missing, later: lacking.filter((part) => CAN_WAIT.includes(part)) }
}
