import { GRINDER, PUMP_RECIPE, grindShot } from '../testing/examples.ts'
import { adviseGrind } from './adviseGrind.ts'
import type { DialInGrinder, GrindSeen, SessionShot } from './types.ts'

const MILL: DialInGrinder = { ...GRINDER, innerBurr: null, lnTimePerUnit: 0.07, purgeG: 3 }
const WISH = { coffeeId: 'tern', basketId: null, doseRangeG: null, pricePerKg: 30 }
const advise = (session: SessionShot[], { grinder = MILL, history = [] as GrindSeen[] } = {}) =>
  adviseGrind({ history, session, recipe: PUMP_RECIPE, grinder, wish: WISH })
const shot = (setting: number, stopS: number, innerBurrAt: number) =>
  grindShot(setting, { stopS }, { where: { innerBurrAt } })

test('settings from another position of the inner burr are compared only where its shift is known', () => {
  const history = [
    { ...shot(14, 28, 4), daysAgo: 1 },
    { ...shot(14, 28, 4), daysAgo: 1 },
  ]
  const unknown = { ...MILL, innerBurr: { at: 5, settingsPerUnit: null } }
  expect(advise([], { history, grinder: unknown }).why).toEqual(['middle-of-scale'])
  const known = advise([], { history, grinder: { ...MILL, innerBurr: { at: 5, settingsPerUnit: 3 } } })
  expect(known).toMatchObject({ setting: 11, why: ['same-coffee-before'], ranWellAt: null })
})

test('once the inner burr is moved, a session goes on with what it knows of the shift, or begins anew', () => {
  const session = [20, 14].map((setting) => shot(setting, 28 * Math.exp(-0.07 * (setting - 14)), 4))
  const moved = (settingsPerUnit: number | null) =>
    advise(session, { grinder: { ...MILL, innerBurr: { at: 5, settingsPerUnit } } })
  expect(moved(null)).toMatchObject({ step: 'start', why: ['middle-of-scale'], ranWellAt: null })
  expect(moved(3)).toMatchObject({ step: 'confirm', setting: 11, ranWellAt: 11 })
  expect(moved(null).spent).toEqual(moved(3).spent)
})

test('a choke closes the scale where the burr stood, not where it stands', () => {
  const choked = grindShot(
    14,
    { stopS: 60 },
    { where: { innerBurrAt: 4 } },
    { abandoned: 'choked', cup: null },
  )
  const gushed = shot(10, 8, 5)
  const { setting } = advise([choked, gushed], {
    grinder: { ...MILL, innerBurr: { at: 5, settingsPerUnit: null } },
  })
  expect(setting).toBeLessThan(10)
})

test('at the end of the scale it names the inner burr', () => {
  const short: DialInGrinder = { ...MILL, innerBurr: { at: 5, settingsPerUnit: null } }
  const at = (stopS: number) => shot(0, stopS, 5)
  expect(advise([at(15), at(15.5), at(14.8)], { grinder: short })).toMatchObject({
    step: 'move-inner-burr',
    why: ['scale-ends-finer', 'last-was-fast'],
  })
})
