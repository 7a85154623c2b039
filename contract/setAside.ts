import { z } from 'zod'
import { id, instant, reason } from './primitives.ts'
import { correctionInput, shotInput } from './shot.ts'
import { slipInput } from './tasting.ts'

/** A record whose author's account ended before it arrived, or of an assessment that had closed: kept for the head to decide. */
export const setAsideRecord = z.strictObject({
  setAsideId: id,
  judgedBy: id,
  receivedAt: instant,
  write: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('shot'), shotId: id, body: shotInput }),
    z.strictObject({ kind: z.literal('correction'), shotId: id, revisionId: id, body: correctionInput }),
    z.strictObject({ kind: z.literal('slip'), shotId: id, slipId: id, body: slipInput }),
  ]),
})
export type SetAsideRecord = z.infer<typeof setAsideRecord>
/** What a head has to decide on. */
export const setAsideList = z.strictObject({ records: z.array(setAsideRecord) })

/** Whether it is kept after all, and why. */
export const setAsideDecision = z.strictObject({
  decision: z.enum(['keep', 'drop']),
  why: reason,
})
