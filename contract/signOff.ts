import {
  type AssessmentEvent,
  type AssessmentSetup,
  type CupNote,
  type JudgedPart,
  LOOK_AGAIN,
  type Lacking,
  PART_RESULTS,
  REVIEW_FINDINGS,
  SET_ENDS,
  SET_NOTICES,
  SET_STEPS,
  SIGNED_PARTS,
  SKILLS,
  STANDINGS,
  type SignedOff,
  UNJUDGED_BECAUSE,
} from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from './bounds.ts'
import { id, instant, line } from './primitives.ts'
import { tasteFacts } from './shotFacts.ts'

const parts = z.array(z.enum(SIGNED_PARTS)).min(1).max(SIGNED_PARTS.length)

const setup = z.strictObject({
  personId: id,
  programmeId: id,
  programmeRevisionId: id,
  trainingId: id.nullable(),
  recipeRevisionId: id.nullable(),
  machineId: id.nullable(),
  groupNo: z.int().min(0).max(BOUNDS.listLength.max),
  grinderId: id.nullable(),
  parts,
  isTasted: z.boolean(),
  hasCue: z.boolean(),
  after: id.exactOptional(),
  isLook: z.literal(true).exactOptional(),
  isOffline: z.literal(true).exactOptional(),
}) satisfies z.core.$ZodType<AssessmentSetup>

/** A cup by the three digits that stand on it, as one assessor tasted it. */
const cupCode = z.string().regex(/^[1-9]\d{2}$/)
const cupNote = z.strictObject({ by: id, cup: cupCode, taste: tasteFacts }) satisfies z.core.$ZodType<CupNote>

const outcomes = z
  .array(z.strictObject({ part: z.enum(SIGNED_PARTS), result: z.enum(PART_RESULTS) }))
  .max(SIGNED_PARTS.length)

/** What is noted at the bar, or by whoever was assessed: without a signature. */
const assessmentHappening = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('begun'), setup }),
  z.strictObject({
    kind: z.literal('ticked'),
    ticks: z.array(line({ min: 1, max: BOUNDS.stepTextLength.max })).max(BOUNDS.listLength.max),
  }),
  z.strictObject({ kind: z.literal('tasted'), cup: cupCode, taste: tasteFacts }),
  z.strictObject({ kind: z.literal('closed'), why: z.enum(SET_ENDS) }),
  z.strictObject({ kind: z.literal('appealed') }),
  z.strictObject({ kind: z.literal('reviewed'), finding: z.enum(REVIEW_FINDINGS), outcomes }),
  z.strictObject({ kind: z.literal('answered') }),
])

const signedWith = (said: typeof outcomes) =>
  z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('decided'),
      outcomes: said,
      proposed: said,
      digest: line({ min: 1, max: 100 }),
      rulesVersion: z.int().nonnegative(),
    }),
    z.strictObject({ kind: z.literal('settled'), outcomes: said }),
    z.strictObject({ kind: z.literal('withdrawn') }),
  ])
/** What is signed with a secret of whoever signs. */
const signedHappening = signedWith(outcomes.min(1))

const text = line({ min: 0, max: BOUNDS.reasonLength.max })

/** One thing that happened in an assessment, as it is sent. */
export const assessmentEventInput = z.strictObject({
  by: id,
  at: instant,
  happening: assessmentHappening,
  /** Reasons, an appeal, an answer; empty for none. */
  text,
})
export type AssessmentEventInput = z.infer<typeof assessmentEventInput>

/** A decision with the secret that signs it. */
export const signatureInput = z.strictObject({
  at: instant,
  happening: signedHappening,
  text,
  by: z.enum(['pin', 'password']),
  secret: z.string().min(1).max(BOUNDS.passwordLength.max),
})
export type SignatureInput = z.infer<typeof signatureInput>

const event = z.strictObject({
  eventId: id,
  by: id,
  at: instant,
  /** Outcomes are left out to whoever looks at it again without knowing them. */
  happening: z.union([assessmentHappening, signedWith(outcomes)]),
  text: z.string().nullable(),
}) satisfies z.core.$ZodType<AssessmentEvent>

const judgedPart = z.strictObject({
  part: z.enum(SIGNED_PARTS),
  result: z.enum(PART_RESULTS),
  shots: z.array(z.strictObject({ shotId: id, standing: z.enum(STANDINGS) })),
  because: z.enum(UNJUDGED_BECAUSE).nullable(),
  side: z.union([z.literal(1), z.literal(-1)]).nullable(),
}) satisfies z.core.$ZodType<JudgedPart>

/** An assessment as whoever asks may know it. */
export const assessment = z.strictObject({
  assessmentId: id,
  events: z.array(event),
  /** How far its set is: what is next, and which shots count, by their order; closed to whoever is assessed. */
  progress: z
    .strictObject({
      next: z.enum(SET_STEPS),
      counted: z.array(id),
      uncounted: z.int().nonnegative(),
      uncountedLeft: z.int().nonnegative(),
      references: z.array(id),
      voided: z.array(id),
      pulledAgain: id.nullable(),
      isBarRight: z.boolean().nullable(),
    })
    .nullable(),
  /**
   * The cups of the set by their codes, closed to whoever is assessed, and what was tasted of them: until it is over only what whoever
   * asks tasted themselves.
   */
  cups: z
    .strictObject({ known: z.array(cupCode), notes: z.array(cupNote) })
    .default({ known: [], notes: [] }),
  /** What stands on the record though nobody fails by it. */
  notices: z.array(z.enum(SET_NOTICES)).default([]),
  /** What the rules propose now; null until it is over, and to whoever is assessed until it is decided. */
  judged: z.array(judgedPart).nullable(),
  /** Of the facts as they are now; where it is another than was signed, the record has changed since. */
  digest: z.string().nullable(),
  /** Whether what was decided is kept back from whoever looks at it again. */
  isBlind: z.boolean(),
})
export type Assessment = z.infer<typeof assessment>
/** Assessments that are on, or wait for somebody. */
export const assessmentList = z.strictObject({ assessments: z.array(assessment) })
export type AssessmentList = z.infer<typeof assessmentList>

const lacking = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.enum(['shots', 'days', 'bags']), more: z.int().positive() }),
  z.strictObject({ kind: z.literal('part'), skill: z.enum(SKILLS), is: z.enum(['unseen', 'not-yet']) }),
  z.strictObject({ kind: z.literal('safety'), times: z.int().positive() }),
  z.strictObject({ kind: z.literal('before'), programmeId: id }),
]) satisfies z.core.$ZodType<Lacking>

const standing = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('none') }),
  z.strictObject({ is: z.enum(['running', 'to-decide']), assessmentId: id }),
  z.strictObject({
    is: z.literal('under-appeal'),
    assessmentId: id,
    afresh: z.array(z.enum(SIGNED_PARTS)).nullable().default(null),
  }),
  z.strictObject({
    is: z.literal('not-yet'),
    assessmentId: id,
    open: z.array(z.enum(SIGNED_PARTS)),
    from: z.string(),
    until: instant.nullable().default(null),
  }),
  z.strictObject({
    is: z.literal('signed'),
    assessmentId: id,
    at: instant,
    lookedAt: instant.nullable().default(null),
    look: id.nullable().default(null),
    lookAgain: z.array(z.enum(LOOK_AGAIN)),
  }),
  z.strictObject({ is: z.literal('withdrawn'), assessmentId: id }),
]) satisfies z.core.$ZodType<SignedOff>

/** How somebody stands in every programme of the house. */
export const personSignOffs = z.strictObject({
  personId: id,
  programmes: z.array(
    z.strictObject({
      programmeId: id,
      programmeRevisionId: id,
      name: z.string(),
      standing,
      /** What is lacking before a set. */
      lacking: z.array(lacking),
      /** Null to whoever is assessed: a forecast is the trainer’s view. */
      passToday: z.number().nullable(),
      /** Who trained them, and so does not assess them where the programme says so; null where anybody may. */
      trainedBy: id.nullable(),
    }),
  ),
  /** Newest first. */
  assessments: z.array(assessment),
})
export type PersonSignOffs = z.infer<typeof personSignOffs>
