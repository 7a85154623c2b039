import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { calendarDate, name, within } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'

/** A scale, and when it was last check-weighed. */
export const scaleContent = z.strictObject({
  name,
  resolutionG: within(BOUNDS.resolutionG),
  /** Whether it fits between drip tray and cup. */
  isThinEnough: z.boolean(),
  checkWeighedOn: calendarDate.nullable(),
})
export type ScaleContent = z.infer<typeof scaleContent>

/** To a tenth of a gram to begin with. */
export const scale = definedKind({
  content: scaleContent,
  parent: 'bar',
  begins: { name: '', resolutionG: 0.1, isThinEnough: true, checkWeighedOn: null },
  steps: firstSteps(),
})
