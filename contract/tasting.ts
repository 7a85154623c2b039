import { CALL_WORDS, FAULTS_SHOWN, SHOT_PURPOSES } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { causeAndMove } from './causeAndMove.ts'
import { id, instant, reason } from './primitives.ts'
import { tasteFacts } from './shotFacts.ts'
import { watch } from './watching.ts'

/** By eye, before anyone tastes; and the last word before the reading. */
export const CALL_STAGES = ['first', 'final'] as const
/** What a trainer can say a cup was. */
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
    /** Of flow by eye, of the cup once it was tasted. */
    verdict: z.enum(CALL_WORDS).nullable(),
    ...causeAndMove,
    calledAt: instant,
    rulesVersion: rulesVersion.exactOptional(),
  })
  .refine(({ verdict, cause, move }) => verdict !== null || (cause === null && move === null), {
    path: ['verdict'],
    message: 'Without a verdict there is no cause and no move.',
  })
export type CallInput = z.infer<typeof callInput>
/** A call as it was kept, with whose it is and who took it down. */
export const call = z.strictObject({
  callId: id,
  shotId: id,
  /** Whose call it is; of a skipped one the trainer's who skipped it. */
  personId: id,
  stage: z.enum(CALL_STAGES),
  verdict: z.enum(CALL_WORDS).nullable(),
  ...causeAndMove,
  calledAt: instant,
  /** On whose tablet it was made, where that was another's. */
  takenDownBy: id.nullable(),
  receivedAt: instant,
  rulesVersion: rulesVersion.default(null),
  isClaimed: z.boolean().default(false),
})
export type Call = z.infer<typeof call>

/** Whoever pulled, and whoever teaches. */
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
/** A tasting note as it was kept, and whether it leans on nobody’s. */
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
  ...causeAndMove,
  reason,
  ruledAt: instant,
  rulesVersion: rulesVersion.exactOptional(),
})
export type RulingInput = z.infer<typeof rulingInput>
/** A trainer’s own reading as it was kept. */
export const ruling = z.strictObject({
  rulingId: id,
  shotId: id,
  ruledBy: id,
  verdict: z.enum(VERDICTS),
  ...causeAndMove,
  reason: z.string(),
  ruledAt: instant,
  receivedAt: instant,
  rulesVersion: rulesVersion.default(null),
})
export type Ruling = z.infer<typeof ruling>

const calledOtherwise = {
  repurposedBy: id,
  /** As whoever says it saw it called. */
  purposeBefore: z.enum(SHOT_PURPOSES),
  purpose: z.enum(SHOT_PURPOSES),
  /** Of a deliberate fault: which. */
  faultShown: z.enum(FAULTS_SHOWN).nullable(),
}

/** What a shot was for, said otherwise afterwards, with a reason; how it was called before stays. */
export const repurposingInput = z
  .strictObject({
    ...calledOtherwise,
    reason,
    repurposedAt: instant,
  })
  .refine(({ purpose, faultShown }) => (purpose === 'deliberate-fault') === (faultShown !== null), {
    path: ['faultShown'],
    message: 'A deliberate fault says which, and nothing else does.',
  })
export type RepurposingInput = z.infer<typeof repurposingInput>
/** How a shot was called otherwise, as it was kept. */
export const repurposing = z.strictObject({
  repurposingId: id,
  shotId: id,
  ...calledOtherwise,
  reason: z.string(),
  repurposedAt: instant,
  receivedAt: instant,
})
export type Repurposing = z.infer<typeof repurposing>

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
/** A photo of a shot as it is told. */
export const photo = z.strictObject({
  photoId: id,
  takenBy: id,
  takenAt: instant,
  picture: z.string(),
})
export type Photo = z.infer<typeof photo>

/** How one side of a tasting stands. */
export const SLIP_STATES = ['waiting', 'in', 'skipped'] as const

/**
 * Slips, calls, rulings and photos of a shot, as far as the asker may see them: another's only once both sides are in
 * or skipped.
 */
export const tasting = z.strictObject({
  sides: z.strictObject({ trainee: z.enum(SLIP_STATES), trainer: z.enum(SLIP_STATES) }),
  isOpen: z.boolean(),
  /** What is asked before the reading besides the final call, and whether anybody tasted: then the call is of the cup. */
  asks: z
    .strictObject({ first: z.boolean(), notes: z.boolean(), isTasted: z.boolean() })
    .default({ first: true, notes: true, isTasted: true }),
  /** Whether whoever pulled has made each call, or a trainer did without it; what was said opens with the slips. */
  called: z.strictObject({ first: z.boolean(), final: z.boolean() }),
  slips: z.array(slip),
  calls: z.array(call),
  rulings: z.array(ruling),
  photos: z.array(photo),
  repurposings: z.array(repurposing).default([]),
  /** What others saw who watched; another's, like all that was said of it. */
  watches: z.array(watch).default([]),
})
export type Tasting = z.infer<typeof tasting>
