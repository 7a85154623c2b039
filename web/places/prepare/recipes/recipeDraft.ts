import { type RecipeDraft, READING_KINDS } from '@calm-apron/core'
import { z } from 'zod'

const number = z.number().nullable().catch(null)

/** A recipe's content in whatever state its form is in: what can't be read yet is null. */
const written = z.object({
  targets: z
    .object({
      doseG: number,
      yieldG: number,
      clock: z.enum(['pump', 'drop', 'pressure']).nullable().catch(null),
      timeMinS: number,
      timeMaxS: number,
      firstDropMinS: number,
      firstDropMaxS: number,
      school: z.object({
        onlyRecorded: z.array(z.enum(READING_KINDS)),
        volume: z.object({ targetMl: number, gPerMl: number, gPerMlSd: number }).nullable(),
      }),
    })
    .catch({
      doseG: null,
      yieldG: null,
      clock: null,
      timeMinS: null,
      timeMaxS: null,
      firstDropMinS: null,
      firstDropMaxS: null,
      school: { onlyRecorded: [], volume: null },
    }),
  method: z
    .object({ basketId: z.string().nullable(), mayExceedBasket: z.boolean().catch(false) })
    .catch({ basketId: null, mayExceedBasket: false }),
})

/** What a half-written recipe says, for the checks of core. */
export function recipeDraftOf(
  content: Record<string, unknown>,
  ratio: number | null,
  basketNominalG: (basketId: string) => number | null,
): RecipeDraft {
  const { targets, method } = written.parse(content)
  const { school, ...rest } = targets
  return {
    ...rest,
    ratio,
    mayExceedBasket: method.mayExceedBasket,
    onlyRecorded: school.onlyRecorded,
    volume: school.volume,
    basketNominalG: method.basketId === null ? null : basketNominalG(method.basketId),
  }
}
