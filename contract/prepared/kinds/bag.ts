import { type Frozen, KEPT_IN } from '@calm-apron/core'
import { z } from 'zod'
import { BOUNDS } from '../../bounds.ts'
import { calendarDate, instant, name, refuse, within } from '../../primitives.ts'
import { definedKind, firstSteps } from './definedKind.ts'

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

/** Begun beside its coffee, by what a bag of that usually holds. */
export const bag = definedKind({
  content: bagContent,
  parent: 'coffee',
  begins: null,
  parts: { weighed: (now) => ({ at: now.toISOString(), leftG: null }) },
  overOn: ({ finishedOn }) => finishedOn,
  steps: firstSteps(),
})

/** When a bag was out of the warm, as core takes it; null where it never was. */
export function frozenOf({ frozenOn, thawedOn }: Pick<BagContent, 'frozenOn' | 'thawedOn'>): Frozen | null {
  return frozenOn === null ? null : { frozenOn, thawedOn }
}
