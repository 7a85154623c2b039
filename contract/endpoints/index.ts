import { DOOR_ENDPOINTS } from './doors.ts'
import { PEOPLE_ENDPOINTS } from './people.ts'
import { PREPARE_ENDPOINTS } from './prepare.ts'
import { SHOT_ENDPOINTS } from './shots.ts'
import { SIGN_OFF_ENDPOINTS } from './signOff.ts'
import { SKILL_ENDPOINTS } from './skill.ts'
import { TRAINING_ENDPOINTS } from './trainings.ts'

/** Everything the API does. */
export const ENDPOINTS = {
  ...DOOR_ENDPOINTS,
  ...PEOPLE_ENDPOINTS,
  ...PREPARE_ENDPOINTS,
  ...SHOT_ENDPOINTS,
  ...SIGN_OFF_ENDPOINTS,
  ...SKILL_ENDPOINTS,
  ...TRAINING_ENDPOINTS,
} as const
export type Endpoints = typeof ENDPOINTS
