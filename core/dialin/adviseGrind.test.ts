import fc from 'fast-check'
import { readShot } from '../reading/readShot.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { DROP_RECIPE, GRINDER, PUMP_RECIPE, carefulShot, grindShot, taste } from '../testing/examples.ts'
import { adviseGrind } from './adviseGrind.ts'
import { grindSeen } from './grindShot.ts'
import type { DialInGrinder, DialInWish, GrindSeen, SessionShot } from './types.ts'

const MILL: DialInGrinder = { ...GRINDER, innerBurr: null, lnTimePerUnit: 0.07, purgeG: 3 }
const WISH: DialInWish = {
  coffeeId: 'tern',
  basketId: null,
  doseRangeG: { min: 17.7, max: 18.3 },
  pricePerKg: 30,
}

const shot = (
  setting: number,
  stopS: number,
  also: Parameters<typeof grindShot>[2] = {},
  facts: Partial<ShotFacts> = {},
) => grindShot(setting, { stopS }, also, facts)
const before = (setting: number, stopS: number, where: Partial<GrindSeen> = {}): GrindSeen =>
  shot(setting, stopS, { where: { daysAgo: 1, ...where } })
const advise = (
  session: SessionShot[],
  { grinder = MILL, wish = WISH, history = [] as GrindSeen[], recipe = PUMP_RECIPE } = {},
) => adviseGrind({ history, session, recipe, grinder, wish })

describe('where it begins', () => {
  test('a new grinder mid-scale, and says that it is a guess', () => {
    const advice = advise([])
    expect(advice).toMatchObject({ step: 'start', why: ['middle-of-scale'], purgeG: 0, ranWellAt: null })
    expect(Math.abs(advice.setting - 20)).toBeLessThanOrEqual(2)
    expect(advice.predicted.highS / advice.predicted.lowS).toBeGreaterThan(4)
  })

  test('the same coffee where it last worked, and expects to land', () => {
    const advice = advise([], { history: [before(14, 28), before(14, 28.4)] })
    expect(advice).toMatchObject({ step: 'start', setting: 14, why: ['same-coffee-before'], ranWellAt: 14 })
    expect(advice.chanceInWindow).toBeGreaterThan(0.65)
  })

  test('another coffee’s setting is only a start', () => {
    const other = { coffeeId: 'thimble' }
    const advice = advise([], { history: [before(14, 28, other), before(14, 28, other)] })
    expect(advice.why).toEqual(['like-coffees-before'])
    expect(advice.chanceInWindow).toBeLessThan(0.5)
  })

  test('single and double are never mixed', () => {
    const history = [
      before(14, 28, { basketId: 'double' }),
      before(20, 28, { basketId: 'single', daysAgo: 0 }),
    ]
    expect(advise([], { history, wish: { ...WISH, basketId: 'double' } }).setting).toBe(14)
    expect(advise([], { history, wish: { ...WISH, basketId: 'single' } }).setting).toBe(20)
  })

  test('where it ran well is told of this basket only', () => {
    const history = [before(20, 28, { basketId: 'single' })]
    expect(advise([], { history, wish: { ...WISH, basketId: 'double' } }).ranWellAt).toBeNull()
    expect(advise([], { history, wish: { ...WISH, basketId: 'single' } }).ranWellAt).toBe(20)
  })

  test('a shot of another dose is another recipe’s', () => {
    const double = { ...before(14, 28), doseG: 21.5 }
    expect(advise([], { history: [double] }).why).toEqual(['middle-of-scale'])
  })

  test('ten trainees’ shots since don’t push last week’s dial-in out', () => {
    const dialledIn = [before(14, 28, { daysAgo: 7 }), before(14, 28.3, { daysAgo: 7 })]
    const trainees = Array.from({ length: 10 }, (_, no) =>
      before(14, 19 + no, { daysAgo: 2, isDialIn: false }),
    )
    const { setting, why } = advise([], { history: [...dialledIn, ...trainees] })
    expect(why).toEqual(['same-coffee-before'])
    expect(Math.abs(setting - 14)).toBeLessThanOrEqual(1)
  })

  test('pump and drop times are never compared', () => {
    const readings = readShot(carefulShot({ stopS: 28 }), { ...PUMP_RECIPE, clock: 'drop' })
    const { coffeeId, basketId, daysAgo, setting, innerBurrAt, isDialIn } = before(14, 28)
    const where = { coffeeId, basketId, daysAgo, setting, innerBurrAt, isDialIn }
    expect(grindSeen(readings, PUMP_RECIPE, where)).toBeNull()
  })
})

describe('where it goes', () => {
  test.each([
    ['fast', 20, 'lower', -1],
    ['slow', 40, 'lower', 1],
    ['fast', 20, 'higher', 1],
    ['slow', 40, 'higher', -1],
  ] as const)(
    '%s shot at %d s where finer is %s: it moves the right way, and purges',
    (_n, stopS, finerIs, sign) => {
      const advice = advise([shot(20, stopS)], { grinder: { ...MILL, finerIs } })
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
    expect(advice.setting).toBeGreaterThan(13)
  })

  test.each([
    ['on the pump clock', PUMP_RECIPE],
    ['on the drop clock', DROP_RECIPE],
  ])('so is a puck that held the water back, whatever came once it broke open, %s', (_name, recipe) => {
    for (const cupG of [null, 36]) {
      const brokeOpen = grindShot(10, { firstDropS: 60, stopS: 75, cupG }, {}, {}, recipe)
      expect(advise([brokeOpen], { recipe })).toMatchObject({ why: expect.arrayContaining(['choked']) })
      expect(advise([brokeOpen], { recipe }).setting).toBeGreaterThan(13)
    }
  })

  test('property: never back to or beyond a setting that is known to be far out', () => {
    const choked = (at: number) => shot(at, 60, {}, { abandoned: 'choked', cup: { by: 'net', netG: 4 } })
    const anyTime = fc.integer({ min: 18, max: 45 })
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 12 }),
        fc.integer({ min: 18, max: 30 }),
        fc.array(fc.tuple(fc.integer({ min: 13, max: 17 }), anyTime), { maxLength: 5 }),
        (choke, gush, between) => {
          const session = [
            choked(choke),
            shot(gush, 9, {}, {}),
            ...between.map(([at, stopS]) => shot(at, stopS)),
          ]
          const { setting, step } = advise(session)
          if (step === 'move' || step === 'nudge-dose' || step === 'nudge-yield') {
            expect(setting).toBeGreaterThan(choke)
            expect(setting).toBeLessThan(gush)
          }
        },
      ),
      { numRuns: 40 },
    )
  })

  test('a botched shot is not trusted blindly: what is seen to be uneven hardly moves the grind', () => {
    const history = [before(14, 28), before(14, 27.5), before(14, 28.5)]
    const sound = advise([shot(14, 22)], { history })
    const gated = advise([shot(14, 22, {}, { bedEven: false })], { history })
    expect(gated.why).toContain('gate-failed')
    expect(Math.abs(gated.setting - 14)).toBeLessThanOrEqual(Math.abs(sound.setting - 14))
    expect(Math.abs(gated.setting - 14)).toBeLessThanOrEqual(1)
  })

  test('a miss smaller than the noise is pulled once more, not chased; a third time it is no noise', () => {
    const history = [28, 27.6, 28.4, 28.1, 27.8].map((stopS) => before(14, stopS))
    const once = advise([shot(14, 31.2)], { history })
    expect(once).toMatchObject({
      step: 'repeat',
      setting: 14,
      why: ['smaller-than-noise', 'last-was-slow'],
      purgeG: 0,
    })
    expect(advise([shot(14, 31.2), shot(14, 31.4)], { history }).step).not.toBe('repeat')
  })

  test('between two steps yield goes first, then the dose, within what the basket takes', () => {
    const wide: DialInGrinder = { ...MILL, maxSetting: 10, lnTimePerUnit: 0.33 }
    const both = [24.5, 34, 24.4, 33.6].map((stopS, at) => shot(at % 2 === 0 ? 5 : 4, stopS))
    const first = advise(both, { grinder: wide })
    expect(first.step).toBe('nudge-yield')
    expect(Math.abs(first.yieldG - 36)).toBeLessThanOrEqual(2)
    expect(first.waysOut).toContain('dose')
    const tried = [38, 34].flatMap((yieldG) =>
      [5, 4].map((setting) =>
        grindShot(
          setting,
          { stopS: setting === 5 ? 23 : 34, cupG: yieldG },
          {},
          { wanted: { doseG: null, yieldG } },
        ),
      ),
    )
    const second = advise([...both, ...tried, ...tried], { grinder: wide })
    expect(Math.abs(second.doseG - 18)).toBeLessThanOrEqual(0.3 + 1e-9)
    const fixed = advise([...both, ...tried, ...tried], {
      grinder: wide,
      wish: { ...WISH, doseRangeG: null },
    })
    expect(fixed.doseG).toBe(18)
  })

  test('a step that jumps over the whole window lets the dose move further, where the basket takes it, and says why', () => {
    const jumpy: DialInGrinder = { ...MILL, maxSetting: 8, lnTimePerUnit: 0.4 }
    const session = [22.6, 34, 22.4, 34.6].map((stopS, at) => shot(at % 2 === 0 ? 5 : 4, stopS))
    const wide = { ...WISH, doseRangeG: { min: 17.4, max: 18.6 } }
    const advice = advise(session, { grinder: jumpy, wish: wide })
    expect(advice).toMatchObject({ step: 'nudge-dose', why: ['steps-wider-than-window', 'last-was-slow'] })
    expect(Math.abs(advice.doseG - 18)).toBeGreaterThan(0.35)
    expect(Math.abs(advise(session, { grinder: jumpy }).doseG - 18)).toBeLessThanOrEqual(0.3 + 1e-9)
  })

  test('by the fifth shot the ways out have been said', () => {
    const wide: DialInGrinder = {
      ...MILL,
      maxSetting: 10,
      lnTimePerUnit: 0.33,
      innerBurr: { at: 2, settingsPerUnit: null },
    }
    const session = [23.6, 33, 23.9, 33.4].map((stopS, at) =>
      shot(at % 2 === 0 ? 5 : 4, stopS, { where: { innerBurrAt: 2 } }),
    )
    expect(advise(session.slice(0, 2), { grinder: wide }).waysOut).toEqual([])
    const { step, waysOut } = advise(session, { grinder: wide })
    expect([step, ...waysOut]).toEqual(['nudge-yield', 'dose', 'inner-burr', 'taste'])
  })

  test('nobody weighs the cup: the time is judged at the usual yield, and 15 s then 21 s go finer', () => {
    const unweighed = (setting: number, stopS: number) => shot(setting, stopS, {}, { cup: null })
    const recipe = { ...PUMP_RECIPE, timeMinS: 28, timeMaxS: 32 }
    const first = advise([unweighed(20, 15)], { recipe })
    expect(first.setting).toBeLessThan(20)
    expect(advise([unweighed(20, 15), unweighed(16, 21)], { recipe }).setting).toBeLessThan(16)
    expect(advise([unweighed(14, 30)], { recipe })).toMatchObject({ step: 'confirm', setting: 14 })
  })

  test('the way back is known: it ran well at 14', () => {
    expect(advise([shot(14, 28), shot(16, 22)]).ranWellAt).toBe(14)
    expect(advise([shot(20, 18)], { history: [before(14, 28)] }).ranWellAt).toBe(14)
  })
})

describe('when it is found', () => {
  const good = taste(4, 7, 4)

  test('in the window once: confirm; once and tasted right: done', () => {
    expect(advise([shot(14, 28)])).toMatchObject({ step: 'confirm', setting: 14, why: ['in-window-once'] })
    expect(advise([shot(14, 28, {}, { taste: good })])).toMatchObject({
      step: 'done',
      why: ['in-window-and-tasted'],
    })
  })

  test('nobody has tasted it: in the window twice is time only', () => {
    expect(advise([shot(14, 28), shot(14, 27.5)])).toMatchObject({
      step: 'taste-it',
      why: ['in-window-twice', 'not-tasted'],
    })
  })

  test('a shot counts only with its yield on or near', () => {
    const heavy = grindShot(14, { stopS: 28 * (47.9 / 36), cupG: 47.9 })
    expect(heavy.cameOut).toBe('unknown')
    expect(['done', 'taste-it', 'confirm']).not.toContain(advise([heavy]).step)
  })

  test('a learner’s tongue finds nothing', () => {
    const learner = shot(14, 28, { leaning: null, tasters: [] }, { taste: good })
    expect(advise([learner, learner]).step).toBe('taste-it')
  })

  test('in the window and sour: it is judged by taste', () => {
    const sour = shot(14, 28, {}, { taste: taste(8, 3, 2) })
    expect(advise([shot(14, 28), sour])).toMatchObject({ step: 'judge-by-taste' })
  })

  test('good off its window: another tongue, and then locked on taste; never for a shot far off', () => {
    const off = (stopS: number, tasters: string[]) => shot(14, stopS, { tasters }, { taste: good })
    expect(advise([off(35, ['odalys'])])).toMatchObject({
      step: 'taste-again',
      setting: 14,
      why: ['tastes-good', 'last-was-slow'],
    })
    expect(advise([off(35, ['odalys']), off(35.5, ['odalys'])]).step).toBe('taste-again')
    expect(advise([off(35, ['odalys']), off(35.5, ['odalys'])]).tastedAs).toBeNull()
    expect(advise([off(35, ['odalys']), off(35.5, ['ida'])])).toMatchObject({
      tastedAs: { sour: 4, sweet: 7, bitter: 4 },
      step: 'lock-on-taste',
      setting: 14,
    })
    expect(advise([off(46, ['odalys'])]).step).toBe('move')
  })

  test('what was found with another yield is held against that', () => {
    const nudged = grindShot(14, { stopS: 28, cupG: 38 }, {}, { wanted: { doseG: null, yieldG: 38 } })
    expect(nudged).toMatchObject({ cameOut: 'in-window', yieldWantedG: 38 })
    expect(advise([nudged])).toMatchObject({ step: 'confirm', yieldG: 38 })
  })
})

test('what it cost so far: doses, purges, money', () => {
  const { spent } = advise([shot(20, 18), shot(14, 27)])
  expect(spent).toEqual({ shots: 2, grams: 39, money: expect.closeTo(1.17, 5) })
})

test('property: it always answers on the scale, with a range about its middle', () => {
  const anyShot = fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 5, max: 70 }))
  fc.assert(
    fc.property(fc.array(anyShot, { maxLength: 6 }), fc.boolean(), (pulled, isEarlier) => {
      const shots = pulled.map(([at, stopS]) => shot(at, stopS))
      const { setting, predicted, chanceInWindow, doseG, yieldG } = isEarlier
        ? advise([], { history: shots })
        : advise(shots)
      expect(setting).toBeGreaterThanOrEqual(0)
      expect(setting).toBeLessThanOrEqual(40)
      expect(Number.isInteger(setting)).toBe(true)
      expect(predicted.lowS).toBeLessThan(predicted.s)
      expect(predicted.highS).toBeGreaterThan(predicted.s)
      expect(chanceInWindow).toBeGreaterThanOrEqual(0)
      expect(chanceInWindow).toBeLessThanOrEqual(1 + 1e-9)
      expect(Math.abs(doseG - 18)).toBeLessThan(0.31)
      expect(Math.abs(yieldG - 36)).toBeLessThan(2.01)
    }),
    { numRuns: 40 },
  )
})
