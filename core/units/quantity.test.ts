import fc from 'fast-check'
import { UNITS, differenceFromBase, fromBase, toBase } from './quantity.ts'

test.each([
  ['oz', 28.349523125, 1],
  ['floz', 29.5735295625, 1],
  ['F', 93, 199.4],
  ['kgf', 130, 13.256],
  ['lbf', 130, 29.225],
  ['kg', 640, 0.64],
  ['lb', 453.59237, 1],
  ['gal', 3.785411784, 1],
  ['g', 18.2, 18.2],
] as const)('in %s %d of the base unit show as %d', (unit, base, shown) => {
  expect(fromBase(unit, base)).toBeCloseTo(shown, 3)
})

test('a difference of temperatures has no offset', () => {
  expect(differenceFromBase('F', 1)).toBeCloseTo(1.8)
})

test('every unit goes there and back', () => {
  const anyUnit = fc.constantFrom(...Object.values(UNITS).flat())
  fc.assert(
    fc.property(anyUnit, fc.double({ min: -50, max: 5000, noNaN: true }), (unit, base) => {
      expect(toBase(unit, fromBase(unit, base))).toBeCloseTo(base, 6)
    }),
  )
})
