import fc from 'fast-check'
import { readShot } from '../reading/readShot.ts'
import { diagnose } from '../diagnosis/diagnose.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { DROP_RECIPE, carefulShot } from '../testing/index.ts'
import { COUNT_METHODS, DOSE_METHODS, DOSE_SPREAD_G, isCountMethod } from './doseMethod.ts'
import { MARK_PLACES } from './markPlaces.ts'
import { type DoseSeen, countWanted, doseEstimate, doseMethodOf, seenTrim } from './doseSeen.ts'
import { unknownFacts } from './facts.ts'

const COUNTED = { ...DROP_RECIPE, doseG: 14, doseToleranceG: 0.8, doseCount: 2 }
const read = (dose: DoseSeen, recipe: Recipe = COUNTED) => readShot({ ...unknownFacts(), dose }, recipe)
/** The next move after a shot that was done with care but for its dose, and ran a little fast. */
const moveAfter = (dose: DoseSeen, recipe: Recipe = COUNTED) =>
  diagnose(readShot(carefulShot({ stopS: 25 }, { dose }), recipe), NO_GRIND).move
const NO_GRIND = { setting: null, grinder: null, ranAt: [] }
const scoops = (count: number): DoseSeen => ({ by: 'count', of: 'scoop', count })

test('at its mark a dose is the recipe’s, within what the mark errs by', () => {
  const at = read({ by: 'mark', mark: 'basket-line', at: 'at' })
  expect(at.dose).toMatchObject({ judged: true, standing: 'on', value: 14, sdG: 0.5 })
  expect(at.gate).toMatchObject({ faults: [], done: ['dose'] })
  const below = read({ by: 'mark', mark: 'basket-line', at: 'below' })
  expect(below.dose).toMatchObject({ standing: 'near', direction: 'under', value: 13 })
  expect(below.gate.faults).toEqual(['dose-low'])
  expect(read({ by: 'mark', mark: 'razor', at: 'above' }).gate.faults).toEqual(['dose-high'])
})

test('what is counted weighs as the recipe says; a scoop is one of the usual size where it says nothing', () => {
  expect(read(scoops(1.5)).dose).toMatchObject({ value: 10.5, direction: 'under', standing: 'off' })
  const silent = { ...COUNTED, doseCount: null }
  expect(doseEstimate({ dose: scoops(2) }, silent)).toEqual({ g: 14, sdG: 1.5 })
  const pulls: DoseSeen = { by: 'count', of: 'lever-pulls', count: 6 }
  expect(doseEstimate({ dose: pulls }, silent)).toBeNull()
  expect(read(pulls, silent).dose).toEqual({ judged: false, why: 'count-unknown' })
  expect(countWanted('lever-pulls', { doseG: 14, doseCount: 7 })).toBe(7)
})

test('it is mended in its own measure, and never in grams', () => {
  const pulls = { ...COUNTED, doseCount: 7 }
  const six: DoseSeen = { by: 'count', of: 'lever-pulls', count: 6 }
  expect(seenTrim(six, pulls)).toEqual({ by: 'count', of: 'lever-pulls', count: 1 })
  expect(moveAfter(six, pulls)).toEqual({
    lever: 'dose',
    direction: 'more',
    trim: { by: 'count', of: 'lever-pulls', count: 1 },
  })
  expect(moveAfter({ by: 'mark', mark: 'razor', at: 'above' })).toEqual({
    lever: 'dose',
    direction: 'less',
    trim: { by: 'mark', mark: 'razor', at: 'above' },
  })
})

test('a weight has the spread of how it was weighed; nothing measured is nothing known', () => {
  const dose = { by: 'net' as const, netG: 18 }
  expect(doseEstimate({ dose }, COUNTED)).toEqual({ g: 18, sdG: 0.1 })
  expect(doseEstimate({ dose }, COUNTED, 'sweep')).toEqual({ g: 18, sdG: 1 })
  expect(doseEstimate({ dose: null }, COUNTED)).toBeNull()
  expect(doseMethodOf({ dose: scoops(2) })).toBe('scoop')
  expect(doseMethodOf({ dose })).toBeNull()
})

const anySeen = fc.oneof(
  fc.record({
    by: fc.constant('mark' as const),
    mark: fc.constantFrom(
      ...DOSE_METHODS.filter((method) => method !== 'scale').filter((method) => !isCountMethod(method)),
    ),
    at: fc.constantFrom(...MARK_PLACES),
  }),
  fc.record({
    by: fc.constant('count' as const),
    of: fc.constantFrom(...COUNT_METHODS),
    count: fc.integer({ min: 1, max: 60 }).map((halves) => halves / 2),
  }),
) as fc.Arbitrary<DoseSeen>

test('whatever is seen, its trim goes the way its estimate is off, and the spread is its method’s', () => {
  fc.assert(
    fc.property(
      anySeen,
      fc.double({ min: 6, max: 22, noNaN: true }),
      fc.integer({ min: 1, max: 20 }),
      (dose, doseG, doseCount) => {
        const recipe = { ...COUNTED, doseG, doseCount }
        const estimate = doseEstimate({ dose }, recipe)
        const trim = seenTrim(dose, recipe)
        const offG = (estimate?.g ?? doseG) - doseG
        if (trim?.by === 'count') expect(Math.sign(trim.count)).toBe(-Math.sign(offG))
        if (trim?.by === 'mark') expect(trim.at === 'below').toBe(offG < 0)
        expect(estimate?.sdG).toBe(DOSE_SPREAD_G[doseMethodOf({ dose }) ?? 'scale'])
        const move = moveAfter(dose, recipe)
        if (move.lever === 'dose') expect(move.trim?.by).not.toBe('mass')
      },
    ),
    { numRuns: 60 },
  )
})
