import { DOOR_ENDPOINTS } from './doors.ts'
import { PEOPLE_ENDPOINTS } from './people.ts'
import { SHOT_ENDPOINTS } from './shots.ts'

/** Everything the API does. */
export const ENDPOINTS = { ...DOOR_ENDPOINTS, ...PEOPLE_ENDPOINTS, ...SHOT_ENDPOINTS } as const
export type Endpoints = typeof ENDPOINTS
