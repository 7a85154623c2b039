import { CALL_WORDS } from '@calm-apron/core'
import { z } from 'zod'
import { causeAndMove } from './causeAndMove.ts'
import { id, instant } from './primitives.ts'
import { flowMarks, stepKeys } from './shotNotes.ts'

/** What whoever watches makes of the shot by themselves, before its reading opens to anyone. */
const callOfWatcher = z.strictObject({
  verdict: z.enum(CALL_WORDS),
  ...causeAndMove,
})

/** What somebody saw who watched a shot: steps, marks of the stream, and a call of their own. */
export const watchInput = z.strictObject({
  watchedBy: id,
  /** Which may not be recorded yet, or on a tablet without network. */
  shotId: id,
  stepsDone: stepKeys,
  stepsPrompted: stepKeys,
  stepsMissed: stepKeys,
  marks: flowMarks,
  call: callOfWatcher.nullable(),
  watchedAt: instant,
})
export type WatchInput = z.infer<typeof watchInput>
/** What somebody saw, as it was kept. */
export const watch = z.strictObject({
  watchId: id,
  trainingId: id,
  ...watchInput.shape,
  /** Whether they taught then; a peer's watching counts for nobody's skill. */
  isTeaching: z.boolean(),
  receivedAt: instant,
})
export type Watch = z.infer<typeof watch>
