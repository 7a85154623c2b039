import { CAUSES } from '@calm-apron/core'
import { z } from 'zod'

/** Which way a grind should go, in somebody’s word. */
export const CALL_MOVES = ['finer', 'coarser', 'hold'] as const

/** What somebody thinks is behind a shot, and which way they would take the grind; null for what they leave open. */
export const causeAndMove = {
  cause: z.enum(CAUSES).nullable(),
  move: z.enum(CALL_MOVES).nullable(),
}
