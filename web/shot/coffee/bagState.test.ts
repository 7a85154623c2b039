import { KINDS } from '@calm-apron/contract'
import { FRESHNESS_WINDOWS } from '@calm-apron/core'
import { bagOnDate, newBag } from './bagState.ts'
import { newCoffee } from './newCoffee.ts'

const bag = (part: object) => KINDS.bag.content.parse({ ...newBag(newCoffee(), 'Bag 1'), ...part })

test('a new bag is a valid one, sealed, and of the size its coffee comes in', () => {
  expect(bag({})).toMatchObject({ keptIn: 'sealed', bagG: 1000, roastedOn: null })
  expect(newBag({ ...newCoffee(), bagG: 250 }, 'Bag 2')).toMatchObject({ name: 'Bag 2', bagG: 250 })
})

test('without a roast date nothing is said of its age', () => {
  expect(bagOnDate(bag({ bestBefore: '2027-05-01' }), FRESHNESS_WINDOWS.usual, '2026-11-26')).toBeNull()
})

test.each([
  ['2026-11-12', false],
  ['2026-11-26', true],
  ['2026-12-05', false],
])('frozen from the 20th to the 1st it is on %s: %p', (onDate, isFrozen) => {
  const frozen = bag({ roastedOn: '2026-11-10', frozenOn: '2026-11-20', thawedOn: '2026-12-01' })
  expect(bagOnDate(frozen, FRESHNESS_WINDOWS.usual, onDate)).toMatchObject({ isFrozen })
})
