import { ACTS, CAUTION_KEYS } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { line, name } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'

/** A caution in the academy's words: one of the shipped ones said otherwise, or one of its own. */
export const cautionContent = z.strictObject({
  name,
  key: z.enum(CAUTION_KEYS).nullable(),
  act: z.enum(ACTS),
  text: line(BOUNDS.cautionLength),
})
export type CautionContent = z.infer<typeof cautionContent>

/** Written where the academy keeps its words. */
export const caution = definedKind({
  content: cautionContent,
  parent: null,
  begins: null,
  steps: firstSteps(),
})
