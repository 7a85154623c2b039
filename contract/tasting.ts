import { CAUSES } from '@calm-apron/core'
import { z } from 'zod'
import { id, instant, reason } from './primitives.ts'
import { tasteFacts } from './shotFacts.ts'

export const CALL_STAGES = ['first', 'final'] as const
export const CALL_MOVES = ['finer', 'coarser', 'hold'] as const
export const VERDICTS = ['under', 'balanced', 'over', 'uneven', 'unclear'] as const

/** What someone says of a shot before its reading opens: by eye first, finally after tasting. */
export const callInput = z.strictObject({
  stage: z.enum(CALL_STAGES),
  verdict: z.enum(VERDICTS),
  cause: z.enum(CAUSES).nullable(),
  move: z.enum(CALL_MOVES).nullable(),
  calledAt: instant,
})
export type CallInput = z.infer<typeof callInput>
export const call = z.strictObject({
  callId: id,
  shotId: id,
  personId: id,
  ...callInput.shape,
  receivedAt: instant,
})
export type Call = z.infer<typeof call>

export const SLIP_SIDES = ['trainee', 'trainer'] as const
export type SlipSide = (typeof SLIP_SIDES)[number]

/** A tasting slip, or (`taste` null) a trainer's word that this side won't taste. Each correction is a further one. */
export const slipInput = z.strictObject({
  side: z.enum(SLIP_SIDES),
  /** 0 for the first of its side; else the revision that is corrected. */
  basedOnNo: z.int().nonnegative(),
  reason: reason.nullable(),
  taste: tasteFacts.nullable(),
  tastedAt: instant,
})
export type SlipInput = z.infer<typeof slipInput>
export const slip = z.strictObject({
  slipId: id,
  shotId: id,
  side: z.enum(SLIP_SIDES),
  revisionNo: z.int().positive(),
  filledBy: id,
  reason: z.string().nullable(),
  taste: tasteFacts.nullable(),
  tastedAt: instant,
  receivedAt: instant,
})
export type Slip = z.infer<typeof slip>

export const SLIP_STATES = ['waiting', 'in', 'skipped'] as const

/** Slips and calls of a shot, as far as the asker may see them: another's only once both sides are in or skipped. */
export const tasting = z.strictObject({
  sides: z.strictObject({ trainee: z.enum(SLIP_STATES), trainer: z.enum(SLIP_STATES) }),
  isOpen: z.boolean(),
  slips: z.array(slip),
  calls: z.array(call),
})
export type Tasting = z.infer<typeof tasting>
