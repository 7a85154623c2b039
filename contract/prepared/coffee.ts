import { type Frozen, KEPT_IN } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../bounds.ts'
import { calendarDate, instant, line, name, refuse, within } from '../primitives.ts'

const days = z.int().min(BOUNDS.days.min).max(BOUNDS.days.max)
const shortText = line({ min: 0, max: BOUNDS.nameLength.max })

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

/** One bag of a coffee: when it was roasted, opened, frozen, weighed, in calendar dates and g. */
export const bagContent = z
  .strictObject({
    name,
    /** null: unknown, and only a best-before may be. */
    roastedOn: calendarDate.nullable(),
    bestBefore: calendarDate.nullable(),
    openedOn: calendarDate.nullable(),
    finishedOn: calendarDate.nullable(),
    keptIn: z.enum(KEPT_IN),
    frozenOn: calendarDate.nullable(),
    thawedOn: calendarDate.nullable(),
    bagG: within(BOUNDS.bagG),
    /** The last time somebody looked what is left: shots, purges and dial-in count down from there. */
    weighed: z.strictObject({ at: instant, leftG: within({ min: 0, max: BOUNDS.bagG.max }) }).nullable(),
  })
  .superRefine((bag, context) => {
    const after = (field: 'openedOn' | 'finishedOn' | 'thawedOn', before: string | null, words: string) => {
      const date = bag[field]
      if (date !== null && before !== null && date < before)
        refuse(context, [field], 'ends-before-start', words)
    }
    after('openedOn', bag.roastedOn, 'It can’t be opened before it was roasted.')
    after('finishedOn', bag.openedOn, 'It can’t be finished before it was opened.')
    after('thawedOn', bag.frozenOn, 'It can’t be thawed before it was frozen.')
    if (bag.thawedOn !== null && bag.frozenOn === null)
      refuse(context, ['frozenOn'], 'missing', 'When was it put in the freezer?')
  })
export type BagContent = z.infer<typeof bagContent>

/** When a bag was out of the warm, as core takes it; null where it never was. */
export function frozenOf({ frozenOn, thawedOn }: Pick<BagContent, 'frozenOn' | 'thawedOn'>): Frozen | null {
  return frozenOn === null ? null : { frozenOn, thawedOn }
}
