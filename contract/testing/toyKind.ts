import { z } from 'zod'
import { BOUNDS } from '../bounds.ts'
import { calendarDate, id, line, name, within } from '../primitives.ts'
import { definedKind, namedBasket } from '../prepared/kinds/definedKind.ts'
import { KINDS } from '../prepared/kinds/kinds.ts'

/**
 * Adds a kind that no house prepares, in a process of its own, before anything is made from the kinds. It has one of
 * everything that a kind may have. For tests of what is made from the kinds.
 */
export function addToyKind(): void {
  const toy = definedKind({
    content: z.strictObject({
      name,
      heatsG: within(BOUNDS.vesselG),
      brokenOn: calendarDate.nullable(),
      fitsBasketId: id.nullable(),
      marks: z.array(z.strictObject({ what: name })).max(3),
      lock: z.strictObject({ personId: id, reason: line(BOUNDS.reasonLength) }).nullable(),
      glow: z.enum(['dim', 'bright']),
    }),
    parent: 'bar',
    begins: {
      name: '',
      heatsG: null,
      brokenOn: null,
      fitsBasketId: null,
      marks: [],
      lock: null,
      glow: 'dim',
    },
    parts: { marks: () => ({ what: '' }), lock: () => ({ personId: '', reason: '' }) },
    namedKinds: ['basket'],
    names: ({ fitsBasketId }) => namedBasket('fitsBasketId', fitsBasketId),
    overOn: ({ brokenOn }) => brokenOn,
    keeper: ({ lock }) => lock && { path: 'lock', personId: lock.personId },
    steps: [(content) => ({ glow: 'dim', ...content })],
  })
  Object.assign(KINDS, { toy })
}
