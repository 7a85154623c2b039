import { DROP_RECIPE, GRINDER, PUMP_RECIPE, carefulShot, taste } from '../testing/examples.ts'
import { checkBank } from '../testing/checkBank.ts'
import { NO_CONTEXT, type ShotContext } from '../reading/context.ts'
import { readShot } from '../reading/readShot.ts'
import { type ShotFacts, unknownFacts } from '../shot/facts.ts'
import { diagnose } from './diagnose.ts'
import { judge } from './statement.ts'

/** A first seed that nothing was worked on with. */
const BANK = [50_000, 10_000] as const

const say = (facts: ShotFacts, context: Partial<ShotContext> = {}, recipe = PUMP_RECIPE) =>
  diagnose(readShot(facts, recipe, { ...NO_CONTEXT, ...context }), { setting: 14, grinder: GRINDER })

test('ten thousand shots: safe, and one statement each', () => {
  expect(checkBank(BANK)).toEqual([])
})

test('13 s with all else right is "grind finer", without another look', () => {
  expect(say(carefulShot({ firstDropS: 3, stopS: 13 }))).toMatchObject({
    heading: 'fast',
    named: { as: 'one', causes: ['grind-too-coarse'] },
    move: { lever: 'grind', direction: 'finer' },
    right: 'yield',
    changes: 'time',
  })
})

test('a choke on the drop clock: coarser, with the caution, however long it then ran', () => {
  const clock = { firstDrop: 'marked', firstDropS: 60, stopS: 75, estimated: false } as const
  const facts = carefulShot({ cupG: null }, { clock, abandoned: 'choked' })
  expect(say(facts, {}, DROP_RECIPE)).toMatchObject({
    heading: 'choked',
    named: { causes: ['grind-too-fine'] },
    move: { lever: 'grind', direction: 'coarser' },
    pressureCaution: 'choked',
  })
})

test.each([
  ['not weighed', null],
  ['4 g', 4],
  ['on target', 36],
])(
  '60 s without a drop and stopped at 75 s is a choke on every clock, though nobody called it one: %s',
  (_cup, cupG) => {
    for (const recipe of [PUMP_RECIPE, DROP_RECIPE])
      expect(say(carefulShot({ firstDropS: 60, stopS: 75, cupG }), {}, recipe)).toMatchObject({
        heading: 'choked',
        move: { lever: 'grind', direction: 'coarser' },
        pressureCaution: 'choked',
        evidence: expect.arrayContaining([expect.objectContaining({ key: 'time', noted: 'high' })]),
      })
  },
)

test('a cup that ran far over after 60 s without a drop was not fast either', () => {
  const said = (recipe: typeof PUMP_RECIPE) =>
    say(carefulShot({ firstDropS: 60, stopS: 75, cupG: 60 }), {}, recipe)
  expect([said(PUMP_RECIPE).heading, said(DROP_RECIPE).heading]).toEqual(['slow', 'choked'])
  for (const recipe of [PUMP_RECIPE, DROP_RECIPE])
    expect(said(recipe)).toMatchObject({ move: { direction: 'coarser' }, pressureCaution: 'choked' })
})

test('a whole cup in the two seconds since a late first drop: the drop was marked too late, so that it is timed again', () => {
  const said = say(carefulShot({ firstDropS: 27, stopS: 29 }), {}, DROP_RECIPE)
  expect(said).toMatchObject({ heading: 'unclear', move: { lever: 'observe' } })
})

test('what is known only as a bound is not told as fast or slow where it can be right', () => {
  const onTarget = say(carefulShot({ cupG: null }))
  expect(onTarget.named.causes).toEqual(['none'])
  const times = (said: typeof onTarget) => said.evidence.filter(({ key }) => key === 'time')
  expect(times(onTarget)).toMatchObject([{ noted: 'possible' }])
  expect(times(say(carefulShot({ firstDropS: 3, stopS: 13, cupG: null })))).toMatchObject([{ noted: 'low' }])
  expect(times(say(carefulShot({ stopS: 29 })))).toMatchObject([{ noted: 'usual' }])
})

test('a missed first drop with 70 s of pump is slow, not unknown', () => {
  const said = say(carefulShot({ firstDropS: null, stopS: 70 }), {}, DROP_RECIPE)
  expect(said).toMatchObject({ heading: 'slow', move: { lever: 'grind', direction: 'coarser' } })
})

test('on target and untasted: on time, taste it, and the grind is kept', () => {
  expect(say(carefulShot())).toMatchObject({
    heading: 'on-time',
    named: { causes: ['none'] },
    move: { lever: 'observe', observation: 'taste-it' },
    hold: ['grind', 'dose', 'tamp', 'ratio'],
  })
})

test('4 g in 60 s is choked, and said of no cup that nobody tasted', () => {
  expect(say(carefulShot({ firstDropS: 22, stopS: 60, cupG: 4 })).heading).toBe('choked')
})

test('a lively coffee on target is right: bright is not under', () => {
  expect(say(carefulShot({}, { taste: taste(5, 7, 1) }))).toMatchObject({
    heading: 'balanced',
    move: { lever: 'leave' },
  })
})

test('a recipe with a taste of its own is judged by that', () => {
  const recipe = { ...PUMP_RECIPE, taste: { sour: 2, sweet: 6, bitter: 5 } }
  expect(say(carefulShot({}, { taste: taste(2, 6, 5) }), {}, recipe).heading).toBe('balanced')
  expect(say(carefulShot({}, { taste: taste(5, 7, 1) }), {}, recipe).heading).toBe('under')
})

describe('a beginner’s tongue', () => {
  const learning = { tongue: 'learning' } as const

  test('moves nothing, and where it contradicts the flow a trainer tastes it', () => {
    const said = say(carefulShot({ firstDropS: 5, stopS: 20 }, { taste: taste(2, 4, 7) }), learning)
    expect(said).toMatchObject({ heading: 'fast', move: { lever: 'observe', observation: 'trainer-taste' } })
    expect(said.evidence.some(({ key }) => key === 'bitter')).toBe(false)
  })

  test('agrees with the flow: the flow decides', () => {
    const said = say(carefulShot({ firstDropS: 5, stopS: 20 }, { taste: taste(7, 4, 2) }), learning)
    expect(said).toMatchObject({ heading: 'fast', move: { lever: 'grind', direction: 'finer' } })
  })

  test('on time, it is a trainer who is asked to taste', () => {
    expect(say(carefulShot({}, { taste: taste(7, 4, 2) }), learning).move).toMatchObject({
      observation: 'trainer-taste',
    })
  })
})

test('right to a trainer’s tongue but off its window: kept, pulled once more, and not "change nothing"', () => {
  expect(say(carefulShot({ firstDropS: 9, stopS: 38 }, { taste: taste(3, 7, 3) }))).toMatchObject({
    heading: 'balanced',
    named: { causes: ['none'] },
    move: { lever: 'again' },
  })
})

test('right to a trainer’s tongue though slow and from a light dose: the dose is mended, and the grind waits', () => {
  const said = say(carefulShot({ doseG: 17.5, firstDropS: 9, stopS: 38 }, { taste: taste(3, 7, 3) }))
  expect(said).toMatchObject({ heading: 'balanced', move: { lever: 'dose', direction: 'more' } })
  expect(said.hold).toContain('grind')
})

test('what follows from the time is told beside it: no early first drop speaks against a grind too coarse', () => {
  const noted = (pull: Parameters<typeof carefulShot>[0], facts: Partial<ShotFacts> = {}) =>
    Object.fromEntries(say(carefulShot(pull, facts)).evidence.map((each) => [each.key, each.noted]))
  expect(noted({ firstDropS: 3.6, stopS: 13 })).toMatchObject({ time: 'low', 'first-drop': 'fits' })
  expect(noted({ firstDropS: 7, stopS: 13 })).toMatchObject({ 'first-drop': 'more' })
  expect(noted({}, { taste: taste(7, 4, 1) })).toMatchObject({ time: 'usual', sour: 'more' })
  expect(noted({}, { clock: null, taste: taste(7, 4, 1) })).toMatchObject({ sour: 'high' })
})

test('at the last safe step another lever is named', () => {
  const gush = readShot(carefulShot({ firstDropS: 2, stopS: 9 }), PUMP_RECIPE)
  const grinder = { ...GRINDER, touchingAt: 2 }
  expect(diagnose(gush, { setting: 3, grinder })).toMatchObject({
    move: { lever: 'burrs' },
    why: [{ code: 'last-safe-step' }],
  })
  expect(diagnose(gush, { setting: 6, grinder }).grindTo).toMatchObject({ steps: 3, toSetting: 3 })
})

test.each([
  ['a lever', { isLever: true, hasReleaseValve: true }, 'lever'],
  ['a pump', { isLever: false, hasReleaseValve: true }, 'choked'],
  ['nothing known of the machine', null, 'choked'],
] as const)('after a choke, %s: its own caution', (_name, machine, caution) => {
  const facts: ShotFacts = { ...unknownFacts(), abandoned: 'choked' }
  expect(say(facts, { machine }).pressureCaution).toBe(caution)
})

test('without a release valve soup says nothing of the dose, and every shot has its caution', () => {
  const facts = { ...carefulShot({ stopS: 24 }), dose: null, look: { stream: null, puck: 'soup' } } as const
  const lowDose = (hasReleaseValve: boolean) => {
    const { causes, pressureCaution } = say(facts, { machine: { isLever: false, hasReleaseValve } })
    return { pressureCaution, p: causes.find(({ cause }) => cause === 'dose-low')?.probability ?? 0 }
  }
  expect(lowDose(true).p).toBeGreaterThan(lowDose(false).p + 0.1)
  expect([lowDose(true).pressureCaution, lowDose(false).pressureCaution]).toEqual([null, 'no-valve'])
})

test('a dose that was swept raises no hard fault within two of its spreads', () => {
  const facts = carefulShot({ doseG: 17 })
  expect(say(facts).move.lever).toBe('dose')
  expect(say(facts, { doseMethod: 'sweep' }).move.lever).not.toBe('dose')
})

test('old grounds are thought of only after a move of the grind, and against it', () => {
  const facts = { ...carefulShot({ stopS: 21.5 }), grinderPurged: null }
  const unpurged = (grindMoved: ShotContext['grindMoved']) =>
    say(facts, { grindMoved }).causes.find(({ cause }) => cause === 'not-purged')?.probability ?? 0
  expect(unpurged({ direction: 'finer', steps: 2 })).toBeGreaterThan(unpurged(null))
  expect(unpurged({ direction: 'coarser', steps: 2 })).toBeLessThan(unpurged(null))
  expect(unpurged({ direction: 'finer', steps: 0 })).toBeLessThan(unpurged(null))
})

test('a clause says why this move, and not what another would have been', () => {
  const cold = say(carefulShot({}, { taste: taste(7, 4, 1), machineHot: null }), {
    signs: { 'first-shot-of-day': true },
  })
  expect(cold).toMatchObject({ move: { lever: 'heat' }, why: [] })
  expect(say(carefulShot({}, { taste: taste(7, 4, 2) }))).toMatchObject({
    move: { lever: 'ratio' },
    why: [{ code: 'ratio-first' }],
  })
})

test('old grounds explain no more than the move they are left from', () => {
  const facts = carefulShot({ stopS: 18 }, { grinderPurged: false })
  // One step finer: what is left of the one before can't make up for so much.
  expect(say(facts, { grindMoved: { direction: 'finer', steps: 1 } }).move.lever).toBe('grind')
  expect(say(facts, { grindMoved: { direction: 'finer', steps: 6 } }).move.lever).toBe('purge')
  expect(say(facts, { grindMoved: { direction: 'coarser', steps: 6 } }).move.lever).toBe('grind')
})

test('a heavy cup’s "at most" is no slow shot', () => {
  const heavy = readShot(carefulShot({ stopS: 33, cupG: 60 }), PUMP_RECIPE)
  const { causes } = diagnose(heavy, { setting: null, grinder: null })
  expect(causes.find(({ cause }) => cause === 'grind-too-fine')?.probability).toBeLessThan(0.15)
})

test('a machine that is set beyond what espresso takes speaks for water too hot; one that is set well says nothing', () => {
  const noted = (setC: number) =>
    judge(readShot(carefulShot(), PUMP_RECIPE, { ...NO_CONTEXT, setC }), {
      setting: 14,
      grinder: GRINDER,
    }).evidence.items.map(({ key }) => key)
  expect(noted(99)).toContain('steam-at-flush')
  expect(noted(93)).not.toContain('steam-at-flush')
})
