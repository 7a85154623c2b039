import fc from 'fast-check'
import { finestAdvised, isClearOfTouching } from '../equipment/fineEnd.ts'
import { GRINDER, PUMP_RECIPE, grindShot } from '../testing/examples.ts'
import { adviseGrind } from './adviseGrind.ts'
import type { DialInGrinder, GrindSeen, SessionShot } from './types.ts'

const WISH = { coffeeId: 'tern', basketId: null, doseRangeG: null, pricePerKg: null }
const advise = (session: SessionShot[], grinder: DialInGrinder, history: GrindSeen[] = []) =>
  adviseGrind({ history, session, recipe: PUMP_RECIPE, grinder, wish: WISH })
const MILL: DialInGrinder = { ...GRINDER, innerBurr: null, lnTimePerUnit: 0.07, purgeG: 3 }

const pulledAt = (setting: number, stopS: number) =>
  grindShot(setting, { firstDropS: Math.min(5, stopS / 4), stopS })

const anyGrinder = fc
  .record({
    finerIs: fc.constantFrom('lower' as const, 'higher' as const),
    touchingAt: fc.option(fc.integer({ min: 0, max: 40 }), { nil: null }),
  })
  .map((part): DialInGrinder => ({ ...MILL, ...part }))
const anyHistory = fc.array(
  fc
    .tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 6, max: 70 }))
    .map(([setting, stopS]) => pulledAt(setting, stopS)),
  { maxLength: 4 },
)

test('property: dialling in never advises a setting at or past touching burrs, or beyond what may be advised', () => {
  fc.assert(
    fc.property(anyGrinder, anyHistory, fc.boolean(), (grinder, history, isBefore) => {
      const { setting } = isBefore ? advise([], grinder, history) : advise(history, grinder)
      const finest = finestAdvised(
        grinder,
        history.map((each) => each.setting),
      )
      const isCoarserThanFinest = grinder.finerIs === 'lower' ? setting >= finest : setting <= finest
      const coarseEnd = grinder.finerIs === 'lower' ? grinder.maxSetting : grinder.minSetting
      // A grinder whose burrs touch at its coarse end has nowhere to be set to: its end is all that is left.
      expect(isCoarserThanFinest || setting === coarseEnd).toBe(true)
      if (finest !== coarseEnd) expect(isClearOfTouching(setting, grinder)).toBe(true)
    }),
    { numRuns: 120 },
  )
})

test('gush after gush, it goes no finer than a step clear of where the burrs touch', () => {
  const grinder = { ...MILL, touchingAt: 2 }
  const gushes = [6, 4, 3].map((setting) => pulledAt(setting, 9))
  expect(advise(gushes, grinder).setting).toBe(3)
})
