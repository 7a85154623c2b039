import { ENDPOINTS, type Endpoint } from '@calm-apron/contract'
import { grinderThing, shotOf } from './serve.ts'

/** Stands for whoever asks, until it is known who that is. */
export const SELF = '019a5c00-0000-7fff-8000-00000000c0de'

const TASTED = { sour: 3, sweet: 6, bitter: 3, body: 5, dryness: 2 }

const slipOf = (side: 'trainee' | 'trainer') => ({
  filledBy: SELF,
  side,
  basedOnNo: 0,
  reason: null,
  taste: TASTED,
  tastedAt: '2026-11-23T10:40:00.000Z',
})

const callOf = (stage: 'first' | 'final') => ({
  calledBy: SELF,
  stage,
  verdict: 'under',
  cause: null,
  move: 'finer',
  calledAt: '2026-11-23T10:40:00.000Z',
})

/** Bodies that are known to be taken, of which so much must go together that chance hardly finds it; mostly none. */
export function takenBodies(endpoint: Endpoint): readonly object[] {
  if (endpoint === ENDPOINTS.putShot) return [{ ...shotOf(), personId: SELF, judgedBy: SELF }]
  if (endpoint === ENDPOINTS.putSlip) return [slipOf('trainee'), slipOf('trainer')]
  if (endpoint === ENDPOINTS.putCall) return [callOf('first'), callOf('final')]
  if (endpoint === ENDPOINTS.putPrepared) return [grinderThing()]
  if (endpoint === ENDPOINTS.changePerson) return [{ basedOnNo: 1, displayName: 'Renamed', why: '' }]
  return []
}
