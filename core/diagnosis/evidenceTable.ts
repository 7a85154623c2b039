import type { Way } from './causes.ts'
import { EVIDENCE_OF_BAR } from './evidenceOfBar.ts'
import { EVIDENCE_OF_HANDS } from './evidenceOfHands.ts'
import type { Entry } from './evidenceTypes.ts'

/**
 * What speaks for each cause. Whatever isn't listed is as without the cause. How taste and first drop follow from the
 * time itself is stated in `follows.ts`, and how words follow from values in `words.ts`: entries here are only what a cause does beyond that.
 */
export const EVIDENCE_TABLE: Record<Way, readonly Entry[]> = { ...EVIDENCE_OF_HANDS, ...EVIDENCE_OF_BAR }
