import { type Diagnosis, callAgainst } from '@calm-apron/core'
import type { Call, Ruling } from './tasting.ts'

/** What of a ruling a call is held against. */
export type Overruled = Pick<Ruling, 'verdict' | 'cause' | 'move'>

/** A call against the reading, or against the trainer who read it otherwise, 0–1; null where nothing can be scored, or the call was left out. */
export function callScore(
  call: Pick<Call, 'verdict' | 'cause' | 'move'> | null,
  diagnosis: Diagnosis,
  ruling: Overruled | null = null,
  known: Parameters<typeof callAgainst>[3] = {},
): number | null {
  if (call === null || call.verdict === null || call.move === null) return null
  const { verdict, cause, move } = call
  return callAgainst({ verdict, cause, move }, diagnosis, ruling, known)
}
