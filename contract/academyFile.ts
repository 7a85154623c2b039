import { z } from 'zod'
import { academy, person } from './academy.ts'
import { fileThing } from './prepared/file.ts'
import { id, instant, refuse } from './primitives.ts'
import { shotInput } from './shot.ts'

/** A whole academy as one JSON document; ids make loading it twice the same as once. */
export const academyFile = z
  .strictObject({
    format: z.literal('calm-apron-academy'),
    version: z.literal(2),
    madeAt: instant,
    academy,
    people: z.array(person),
    /** Each in one revision, which goes by the thing's own id. */
    prepared: z.array(fileThing),
    shots: z.array(z.strictObject({ shotId: id, ...shotInput.shape })),
  })
  .superRefine(({ people, prepared, shots }, context) => {
    refuseTwice(context, 'people', 'personId', people)
    refuseTwice(context, 'prepared', 'preparedId', prepared)
    refuseTwice(context, 'shots', 'shotId', shots)
  })

export type AcademyFile = z.infer<typeof academyFile>

/** Of two under one id only one could be stored, and nobody would be told which. */
function refuseTwice<F extends string>(
  context: z.core.$RefinementCtx,
  list: string,
  field: F,
  things: readonly Record<F, string>[],
): void {
  const seen = new Set<string>()
  for (const [no, { [field]: id }] of things.entries()) {
    if (seen.has(id)) refuse(context, [list, no, field], 'twice', 'This id stands in the file twice.')
    seen.add(id)
  }
}
