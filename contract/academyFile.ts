import { z } from 'zod'
import { academy, person } from './academy.ts'
import { fileThing } from './prepared/file.ts'
import { id, instant } from './primitives.ts'
import { shotInput } from './shot.ts'

/** A whole academy as one JSON document; ids make loading it twice the same as once. */
export const academyFile = z.strictObject({
  format: z.literal('calm-apron-academy'),
  version: z.literal(2),
  madeAt: instant,
  academy,
  people: z.array(person),
  /** Each in one revision, which goes by the thing's own id. */
  prepared: z.array(fileThing),
  shots: z.array(z.strictObject({ shotId: id, ...shotInput.shape })),
})
export type AcademyFile = z.infer<typeof academyFile>
