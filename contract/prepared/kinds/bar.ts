import { LOW_DOSE_RULES } from '@calm-apron/core'
import { z } from 'zod'
import { name } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'
import { list, shortText } from './fields.ts'

/** Whether a thing lies on the bench. */
export const BENCH_STATES = ['here', 'missing', 'on-order'] as const

/** A room with a bar in it, and what lies ready on its bench. */
export const barContent = z.strictObject({
  name,
  /** What is done here with a dose that turns out low after tamping, where its recipe does not say. */
  lowDoseRule: z.enum(LOW_DOSE_RULES).default('discard'),
  bench: list(z.strictObject({ what: name, state: z.enum(BENCH_STATES), note: shortText })),
})
export type BarContent = z.infer<typeof barContent>

/** Made at a place of its own, with a bench that is begun for it. Nobody was asked for a rule before version 4. */
export const bar = definedKind({
  content: barContent,
  parent: null,
  begins: null,
  parts: { bench: () => ({ what: '', state: 'here', note: '' }) },
  steps: [...firstSteps(), (content) => ({ lowDoseRule: 'discard', ...content })],
})
