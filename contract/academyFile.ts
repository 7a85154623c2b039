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
    refuseTwice(
      context,
      'people',
      'personId',
      people.map(({ personId }) => personId),
    )
    refuseTwice(
      context,
      'prepared',
      'preparedId',
      prepared.map(({ preparedId }) => preparedId),
    )
    refuseTwice(
      context,
      'shots',
      'shotId',
      shots.map(({ shotId }) => shotId),
    )
  })

/** Of two under one id only one could be stored, and nobody would be told which. */
function refuseTwice(
  context: z.core.$RefinementCtx,
  list: string,
  field: string,
  ids: readonly string[],
): void {
  const seen = new Set<string>()
  for (const [no, each] of ids.entries()) {
    if (seen.has(each)) refuse(context, [list, no, field], 'twice', 'This id stands in the file twice.')
    seen.add(each)
  }
}
export type AcademyFile = z.infer<typeof academyFile>
