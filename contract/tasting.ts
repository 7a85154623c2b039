import { CAUSES } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { id, instant, reason } from './primitives.ts'
import { tasteFacts } from './shotFacts.ts'

export const CALL_STAGES = ['first', 'final'] as const
export const CALL_MOVES = ['finer', 'coarser', 'hold'] as const
export const VERDICTS = ['under', 'balanced', 'over', 'uneven', 'unclear'] as const

/** Which rules the reading was made by that this stands beside; null: before rules had versions. */
const rulesVersion = z.int().positive().nullable()

/**
 * What someone says of a shot before its reading opens: by eye first, finally after tasting. `verdict` null is a
 * trainer's word that there will be no final call, and the reading opens without it.
 */
export const callInput = z
  .strictObject({
    /** Whose call it is; of another than the sender only where a trainer's tablet was passed to whoever pulled. */
    calledBy: id,
    stage: z.enum(CALL_STAGES),
    verdict: z.enum(VERDICTS).nullable(),
    cause: z.enum(CAUSES).nullable(),
    move: z.enum(CALL_MOVES).nullable(),
    calledAt: instant,
    rulesVersion: rulesVersion.exactOptional(),
  })
  .refine(({ verdict, cause, move }) => verdict !== null || (cause === null && move === null), {
    path: ['verdict'],
    message: 'Without a verdict there is no cause and no move.',
  })
export type CallInput = z.infer<typeof callInput>
export const call = z.strictObject({
  callId: id,
  shotId: id,
  /** Whose call it is; of a skipped one the trainer's who skipped it. */
  personId: id,
  stage: z.enum(CALL_STAGES),
  verdict: z.enum(VERDICTS).nullable(),
  cause: z.enum(CAUSES).nullable(),
  move: z.enum(CALL_MOVES).nullable(),
  calledAt: instant,
  /** On whose tablet it was made, where that was another's. */
  takenDownBy: id.nullable(),
  receivedAt: instant,
  rulesVersion: rulesVersion.default(null),
  isClaimed: z.boolean().default(false),
})
export type Call = z.infer<typeof call>

export const SLIP_SIDES = ['trainee', 'trainer'] as const
export type SlipSide = (typeof SLIP_SIDES)[number]

/** A tasting slip, or (`taste` null) a trainer's word that this side won't taste. Each correction is a further one. */
export const slipInput = z.strictObject({
  /** Who tasted, or skips; of another than the sender only where a trainer's tablet was passed on. */
  filledBy: id,
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
  takenDownBy: id.nullable(),
  reason: z.string().nullable(),
  taste: tasteFacts.nullable(),
  tastedAt: instant,
  receivedAt: instant,
  isClaimed: z.boolean().default(false),
  /** Whether it was kept before the slips opened, so that it leans on nobody. */
  isBlind: z.boolean().default(true),
  /** Written down before the slips opened, and arrived after. */
  isLate: z.boolean().default(false),
})
export type Slip = z.infer<typeof slip>

/** A trainer's own reading against the tool's, with a reason: both stay. */
export const rulingInput = z.strictObject({
  ruledBy: id,
  verdict: z.enum(VERDICTS),
  cause: z.enum(CAUSES).nullable(),
  move: z.enum(CALL_MOVES).nullable(),
  reason,
  ruledAt: instant,
  rulesVersion: rulesVersion.exactOptional(),
})
export type RulingInput = z.infer<typeof rulingInput>
export const ruling = z.strictObject({
  rulingId: id,
  shotId: id,
  ruledBy: id,
  verdict: z.enum(VERDICTS),
  cause: z.enum(CAUSES).nullable(),
  move: z.enum(CALL_MOVES).nullable(),
  reason: z.string(),
  ruledAt: instant,
  receivedAt: instant,
  rulesVersion: rulesVersion.default(null),
})
export type Ruling = z.infer<typeof ruling>

/** A photo, scaled down and written anew by the device, so that it says nothing of where it was taken. */
export const photoInput = z.strictObject({
  takenBy: id,
  takenAt: instant,
  /** As a data address: `data:image/jpeg;base64,…`. */
  picture: z
    .string()
    .min(BOUNDS.photoLength.min)
    .max(BOUNDS.photoLength.max)
    .regex(/^data:image\/(jpeg|png|webp);base64,[A-Za-z0-9+/]+={0,2}$/),
})
export type PhotoInput = z.infer<typeof photoInput>
export const photo = z.strictObject({
  photoId: id,
  takenBy: id,
  takenAt: instant,
  picture: z.string(),
})
export type Photo = z.infer<typeof photo>

export const SLIP_STATES = ['waiting', 'in', 'skipped'] as const

/**
 * Slips, calls, rulings and photos of a shot, as far as the asker may see them: another's only once both sides are in
 * or skipped.
 */
export const tasting = z.strictObject({
  sides: z.strictObject({ trainee: z.enum(SLIP_STATES), trainer: z.enum(SLIP_STATES) }),
  isOpen: z.boolean(),
  /** Whether whoever pulled has made each call, or a trainer did without it; what was said opens with the slips. */
  called: z.strictObject({ first: z.boolean(), final: z.boolean() }),
  slips: z.array(slip),
  calls: z.array(call),
  rulings: z.array(ruling),
  photos: z.array(photo),
})
export type Tasting = z.infer<typeof tasting>
