import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { name, within } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'

/** Tools of a bench. */
export const TOOL_KINDS = [
  'tamper',
  'levelling-tool',
  'needle-tool',
  'funnel',
  'knock-box',
  'jug',
  'thermometer',
  'other',
] as const

/** A tool of a bench. */
export const toolContent = z.strictObject({
  name,
  kind: z.enum(TOOL_KINDS),
  diameterMm: within(BOUNDS.diameterMm).nullable(),
})
export type ToolContent = z.infer<typeof toolContent>

/** A tamper to begin with. */
export const tool = definedKind({
  content: toolContent,
  parent: 'bar',
  begins: { name: '', kind: 'tamper', diameterMm: null },
  steps: firstSteps(),
})
