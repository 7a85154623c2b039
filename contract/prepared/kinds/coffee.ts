import { THRESHOLDS } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { line, name, refuse, within } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'
import { shortText } from './fields.ts'

const days = z.int().min(BOUNDS.days.min).max(BOUNDS.days.max)

/** When a coffee may be used, in days after roasting. */
export const freshnessWindow = z
  .strictObject({ restDays: days, bestUntilDays: days, usableUntilDays: days })
  .superRefine((window, context) => {
    if (window.bestUntilDays < window.restDays)
      refuse(
        context,
        ['bestUntilDays'],
        'ends-before-start',
        'It can’t be past its best before it is rested.',
      )
    if (window.usableUntilDays < window.bestUntilDays)
      refuse(context, ['usableUntilDays'], 'ends-before-start', 'It stays usable at least while it is best.')
  })

/** From light to dark. */
export const ROAST_LEVELS = ['light', 'medium-light', 'medium', 'medium-dark', 'dark'] as const

/** A coffee of which bags come. */
export const coffeeContent = z.strictObject({
  name,
  roaster: shortText,
  origin: shortText,
  process: shortText,
  roastLevel: z.enum(ROAST_LEVELS).nullable(),
  /** Whether its bag says that it is for espresso; null: nobody looked. */
  isForEspresso: z.boolean().nullable().default(null),
  bagWords: line(BOUNDS.noteLength),
  bagG: within(BOUNDS.bagG).nullable(),
  bagPrice: within(BOUNDS.money).nullable(),
  /** From an order until a bag that is roasted to it arrives. */
  deliveryDays: days,
  freshness: freshnessWindow,
  /** What a ml of its espresso with crema weighs; null: as usual. */
  density: z.strictObject({ gPerMl: within(BOUNDS.gPerMl), gPerMlSd: within(BOUNDS.gPerMlSd) }).nullable(),
})
export type CoffeeContent = z.infer<typeof coffeeContent>

/** Begun in a place of its own, by the usual window and delivery. Nobody looked what it is for before version 4. */
export const coffee = definedKind({
  content: coffeeContent,
  parent: null,
  begins: null,
  parts: {
    density: () => ({ gPerMl: THRESHOLDS.beverageGPerMl, gPerMlSd: THRESHOLDS.beverageGPerMlSd }),
  },
  steps: [...firstSteps(), (content) => ({ isForEspresso: null, ...content })],
})
