import fc from 'fast-check'
import { readShot } from '../reading/readShot.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { GRINDER, PUMP_RECIPE, carefulShot, grindShot, taste } from '../testing/examples.ts'
import { adviseGrind } from './adviseGrind.ts'
import { slopeBelief } from './slope.ts'
import { observationsOf } from './observations.ts'
import type { DialInGrinder, DialInWish, GrindShot } from './types.ts'

const MILL: DialInGrinder = { ...GRINDER, innerBurr: null, lnTimePerUnit: 0.07, purgeG: 3 }
const WISH: DialInWish = { coffeeId: 'tern', doseRangeG: { min: 17, max: 19 }, pricePerKg: 30 }

const shot = (
  setting: number,
  stopS: number,
  also: Partial<GrindShot> = {},
  facts: Partial<ShotFacts> = {},
) => grindShot(setting, { stopS }, also, facts)
const advise = (history: readonly GrindShot[], grinder = MILL, wish = WISH) =>
  adviseGrind(history, PUMP_RECIPE, grinder, wish)
const yesterday = { daysAgo: 1, isThisSession: false } as const

test('a new grinder begins mid-scale, and says that it is a guess', () => {
  const advice = advise([])
  expect(advice).toMatchObject({ step: 'start', why: ['middle-of-scale'], purgeG: 0 })
  expect(Math.abs(advice.setting - 20)).toBeLessThanOrEqual(2)
  expect(advice.predicted.highS / advice.predicted.lowS).toBeGreaterThan(4)
})

test('the same coffee begins where it last worked, and expects to land', () => {
  const advice = advise([shot(14, 28, yesterday), shot(14, 28.4, yesterday)])
  expect(advice).toMatchObject({ step: 'start', setting: 14, why: ['same-coffee-before'] })
  expect(advice.chanceInWindow).toBeGreaterThan(0.65)
})

test('another coffee’s setting is only a start', () => {
  const other = { ...yesterday, coffeeId: 'thimble' }
  const advice = advise([shot(14, 28, other), shot(14, 28, other)])
  expect(advice.why).toEqual(['like-coffees-before'])
  expect(advice.chanceInWindow).toBeLessThan(0.5)
})

test.each([
  ['fast', 20, 'lower', -1],
  ['slow', 40, 'lower', 1],
  ['fast', 20, 'higher', 1],
  ['slow', 40, 'higher', -1],
] as const)(
  '%s shot at %d s where finer is %s: it moves the right way, and purges',
  (_n, stopS, finerIs, sign) => {
    const advice = advise([shot(20, stopS)], { ...MILL, finerIs })
    expect(Math.sign(advice.setting - 20)).toBe(sign)
    expect(advice).toMatchObject({ step: 'move', purgeG: 3 })
  },
)

test('between a fast and a slow setting it splits the difference', () => {
  const advice = advise([shot(20, 18), shot(10, 44)])
  expect(advice.setting).toBeGreaterThan(12)
  expect(advice.setting).toBeLessThan(18)
  expect(advice.brackets).toEqual({ fast: 20, slow: 10 })
})

test('a choke is "longer than", not a time', () => {
  const choked = shot(10, 60, {}, { abandoned: 'choked', cup: { by: 'net', netG: 4 } })
  const advice = advise([choked])
  expect(advice.why).toContain('choked')
  expect(advice.setting).toBeGreaterThan(advise([shot(10, 60)]).setting - 2)
  expect(advice.setting).toBeGreaterThan(15)
})

test('a botched shot is not trusted blindly: what is seen to be uneven hardly moves the grind', () => {
  const known = [shot(14, 28, yesterday), shot(14, 27.5, yesterday), shot(14, 28.5, yesterday)]
  const sound = advise([...known, shot(14, 22)])
  const gated = advise([...known, shot(14, 22, {}, { bedEven: false })])
  expect(gated.why).toContain('gate-failed')
  expect(Math.abs(gated.setting - 14)).toBeLessThanOrEqual(Math.abs(sound.setting - 14))
  expect(Math.abs(gated.setting - 14)).toBeLessThanOrEqual(1)
})

test('a miss smaller than the noise is repeated, not chased', () => {
  const known = [28, 27.6, 28.4, 28.1, 27.8].map((stopS) => shot(14, stopS, yesterday))
  expect(advise([...known, shot(14, 31.2)])).toMatchObject({
    step: 'repeat',
    setting: 14,
    why: ['smaller-than-noise', 'last-was-slow'],
    purgeG: 0,
  })
})

test('in the window once: confirm; twice: done', () => {
  expect(advise([shot(14, 28)])).toMatchObject({ step: 'confirm', setting: 14 })
  const balanced = shot(14, 27.5, {}, { taste: taste(4, 7, 4) })
  expect(advise([shot(14, 28), balanced])).toMatchObject({ step: 'done', why: ['in-window-twice'] })
})

test('nobody has tasted it: the clock alone is not done yet, and it says so', () => {
  expect(advise([shot(14, 28), shot(14, 27.5)])).toMatchObject({
    step: 'done',
    why: ['in-window-twice', 'not-tasted'],
  })
})

test('taste has the last word', () => {
  const sour = shot(14, 28, {}, { taste: taste(8, 3, 2) })
  expect(advise([shot(14, 28), sour])).toMatchObject({ step: 'judge-by-taste' })
  const good = shot(14, 36, {}, { taste: taste(3, 7, 3) })
  expect(advise([good])).toMatchObject({ step: 'leave', setting: 14, why: ['tastes-good', 'last-was-slow'] })
})

test('between two steps the dose is the way out, within what the basket takes', () => {
  const wide: DialInGrinder = { ...MILL, maxSetting: 10, lnTimePerUnit: 0.33 }
  const both = [23.6, 33, 23.9, 33.4, 23.4, 32.8].map((stopS, at) => shot(at % 2 === 0 ? 5 : 4, stopS))
  const advice = advise(both, wide)
  expect(advice.step).toBe('nudge-dose')
  expect(Math.abs(advice.doseG - 18)).toBeGreaterThanOrEqual(0.1)
  expect(Math.abs(advice.doseG - 18)).toBeLessThanOrEqual(0.3 + 1e-9)
  const fixed = advise(both, wide, { ...WISH, doseRangeG: null })
  expect(fixed.doseG).toBe(18)
})

test('at the end of the scale it names the inner burr', () => {
  const short: DialInGrinder = { ...MILL, innerBurr: { at: 5, settingsPerUnit: null } }
  const at = (stopS: number) => shot(0, stopS, { innerBurrAt: 5 })
  expect(advise([at(15), at(15.5), at(14.8)], short)).toMatchObject({
    step: 'move-inner-burr',
    why: ['scale-ends-finer', 'last-was-fast'],
  })
})

test('settings from another position of the inner burr are not compared unless its shift is known', () => {
  const history = [
    shot(14, 28, { ...yesterday, innerBurrAt: 4 }),
    shot(14, 28, { ...yesterday, innerBurrAt: 4 }),
  ]
  const unknown = advise(history, { ...MILL, innerBurr: { at: 5, settingsPerUnit: null } })
  expect(unknown.why).toEqual(['middle-of-scale'])
  const shifted = advise(history, { ...MILL, innerBurr: { at: 5, settingsPerUnit: 3 } })
  expect(shifted).toMatchObject({ setting: 11, why: ['same-coffee-before'] })
})

test('pump and drop times are never compared', () => {
  const readings = readShot(carefulShot({ stopS: 28 }), { ...PUMP_RECIPE, clock: 'drop' })
  expect(advise([shot(14, 28, { ...yesterday, readings })]).why).toEqual(['middle-of-scale'])
})

test('the slope is learned over the whole history, whatever the coffee', () => {
  const history = ['a', 'b', 'c'].flatMap((coffeeId, day) =>
    [10, 14, 18].map((setting) =>
      shot(setting, 28 * Math.exp(-0.12 * (setting - 14) + 0.1 * day), {
        coffeeId,
        daysAgo: day + 1,
        isThisSession: false,
      }),
    ),
  )
  const before = slopeBelief(MILL, [])
  const after = slopeBelief(MILL, observationsOf(history, PUMP_RECIPE, MILL))
  expect(Math.exp(after.lnMean)).toBeGreaterThan(0.11)
  expect(after.lnSd).toBeLessThan(before.lnSd / 3)
})

test('what it cost so far: doses, purges, money', () => {
  const { spent } = advise([shot(20, 18), shot(14, 27)])
  expect(spent).toEqual({ shots: 2, grams: 39, money: expect.closeTo(1.17, 5) })
})

test('property: it always answers on the scale, with a range about its middle', () => {
  const anyShot = fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 5, max: 70 }))
  fc.assert(
    fc.property(fc.array(anyShot, { maxLength: 6 }), fc.boolean(), (pulled, isEarlier) => {
      const also = isEarlier ? yesterday : {}
      const { setting, predicted, chanceInWindow, doseG } = advise(
        pulled.map(([at, stopS]) => shot(at, stopS, also)),
      )
      expect(setting).toBeGreaterThanOrEqual(0)
      expect(setting).toBeLessThanOrEqual(40)
      expect(Number.isInteger(setting)).toBe(true)
      expect(predicted.lowS).toBeLessThan(predicted.s)
      expect(predicted.highS).toBeGreaterThan(predicted.s)
      expect(chanceInWindow).toBeGreaterThanOrEqual(0)
      expect(chanceInWindow).toBeLessThanOrEqual(1)
      expect(Math.abs(doseG - 18)).toBeLessThan(0.31)
    }),
    { numRuns: 40 },
  )
})
