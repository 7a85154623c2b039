import { z } from 'zod'
import { id, instant } from './primitives.ts'

/** Records that can be entered in somebody else’s name. */
export const CLAIM_KINDS = ['shot', 'correction', 'call', 'slip', 'photo', 'training-event'] as const
export type ClaimKind = (typeof CLAIM_KINDS)[number]

/** A record that was entered in somebody's name on a tablet that remembers them, while another was signed in there. */
export const claim = z.strictObject({
  recordId: id,
  kind: z.enum(CLAIM_KINDS),
  /** The shot or training it belongs to. */
  subjectId: id,
  /** Who was signed in there. */
  sentBy: id,
  claimedAt: instant,
})
export type Claim = z.infer<typeof claim>
/** What waits for whoever is named to say whether it is theirs. */
export const claimList = z.strictObject({ claims: z.array(claim) })

/** Of the one who is named: it is theirs, or it is not. The record stays either way, and says which. */
export const claimDecision = z.strictObject({ isMine: z.boolean() })
