import { z } from 'zod'
import { academy, person } from './academy.ts'
import { fileThing } from './prepared/file.ts'
import { id, instant, refuse } from './primitives.ts'
import { correctionInput, shotInput } from './shot.ts'
import { callInput, rulingInput, slipInput } from './tasting.ts'
import { trainingEventInput } from './training.ts'

/** A whole academy as one JSON document; ids make loading it twice the same as once. */
export const academyFile = z
  .strictObject({
    format: z.literal('calm-apron-academy'),
    /** 2, as of former releases: with shots alone. */
    version: z.literal([2, 3]),
    madeAt: instant,
    academy,
    people: z.array(person),
    /** Each in one revision, which goes by the thing's own id. */
    prepared: z.array(fileThing),
    shots: z.array(z.strictObject({ shotId: id, ...shotInput.shape })),
    trainings: z
      .array(
        z.strictObject({
          trainingId: id,
          events: z.array(z.strictObject({ eventId: id, ...trainingEventInput.shape })).min(1),
        }),
      )
      .default([]),
    /** Each as it was made: in the order of its revisions. */
    corrections: z
      .array(z.strictObject({ shotId: id, revisionId: id, ...correctionInput.shape }))
      .default([]),
    calls: z.array(z.strictObject({ shotId: id, callId: id, ...callInput.shape })).default([]),
    slips: z.array(z.strictObject({ shotId: id, slipId: id, ...slipInput.shape })).default([]),
    rulings: z.array(z.strictObject({ shotId: id, rulingId: id, ...rulingInput.shape })).default([]),
  })
  .superRefine((file, context) => {
    const { people, prepared, shots } = file
    refuseTwice(context, 'trainings', 'trainingId', file.trainings)
    refuseTwice(context, 'corrections', 'revisionId', file.corrections)
    refuseTwice(context, 'calls', 'callId', file.calls)
    refuseTwice(context, 'slips', 'slipId', file.slips)
    refuseTwice(context, 'rulings', 'rulingId', file.rulings)
    const known = new Set(shots.map(({ shotId }) => shotId))
    for (const list of ['corrections', 'calls', 'slips', 'rulings'] as const)
      for (const [no, { shotId }] of file[list].entries())
        if (!known.has(shotId))
          refuse(context, [list, no, 'shotId'], 'unknown-id', 'It is of no shot in the file.')
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
