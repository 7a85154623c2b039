import fc from 'fast-check'
import { readShot } from '../reading/readShot.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { anyShot } from '../testing/anyShot.ts'
import { NO_CONTEXT } from '../reading/context.ts'
import { GRINDER, PUMP_RECIPE, carefulShot, taste } from '../testing/examples.ts'
import { diagnose } from './diagnose.ts'

const judge = (facts: ShotFacts) =>
  diagnose(readShot(facts, PUMP_RECIPE), { setting: facts.grindSetting, grinder: GRINDER })

const GOOD = taste(3, 7, 3)
const SOUR = taste(8, 3, 2)
const BITTER = taste(2, 3, 8)

test('on target and sweet: leave it', () => {
  expect(judge(carefulShot({}, { taste: GOOD }))).toMatchObject({
    verdict: 'balanced',
    named: { causes: ['none'] },
    move: { lever: 'leave' },
  })
})

test('fast with everything else right: finer, to a setting on the scale', () => {
  expect(judge(carefulShot({ stopS: 21 }, { taste: SOUR }))).toMatchObject({
    verdict: 'under',
    named: { causes: ['grind-too-coarse'] },
    move: { lever: 'grind', direction: 'finer' },
    grindTo: { toSetting: expect.any(Number), ranWellAt: null },
    hold: ['dose', 'tamp', 'ratio'],
  })
})

test('slow with everything else right: coarser', () => {
  expect(judge(carefulShot({ stopS: 38 }, { taste: BITTER }))).toMatchObject({
    verdict: 'over',
    move: { lever: 'grind', direction: 'coarser' },
  })
})

test('a move never leaves the scale', () => {
  expect(judge(carefulShot({ stopS: 21 }, { grindSetting: 3 })).grindTo).toMatchObject({
    steps: 1,
    toSetting: 2,
  })
})

test('a little fast with a light dose: mend the dose, hold the grind', () => {
  expect(judge(carefulShot({ doseG: 17.4, stopS: 23.5 }))).toMatchObject({
    named: { causes: ['dose-low'] },
    move: { lever: 'dose', direction: 'more', trim: { by: 'mass', g: expect.closeTo(0.6, 5) } },
    hold: ['grind', 'tamp', 'ratio'],
  })
})

test('a little fast with a tilted tamp: level it, hold the grind', () => {
  const facts = carefulShot({ stopS: 23 }, { tamp: { tilt: 'clear', lowSide: 'left', settled: true } })
  expect(judge(facts)).toMatchObject({
    named: { causes: ['tamp-tilted'] },
    move: { lever: 'tamp', how: 'level' },
  })
})

test('a gush at 8 s with the dose 0.6 g light wants both', () => {
  expect(judge(carefulShot({ doseG: 17.4, firstDropS: 2, stopS: 8 }))).toMatchObject({
    move: { lever: 'grind', direction: 'finer' },
    mendToo: ['dose-low'],
    hold: ['tamp', 'ratio'],
  })
})

test('a choke at 4 g in 60 s wants coarser, with the caution about pressure', () => {
  expect(judge(carefulShot({ firstDropS: 22, stopS: 60, cupG: 4 }))).toMatchObject({
    move: { lever: 'grind', direction: 'coarser' },
    pressureCaution: 'choked',
  })
})

test('a slow stream that spurts: puck first, grind held', () => {
  const facts = carefulShot({ stopS: 35 }, { look: { stream: 'spurting', puck: 'holes' } })
  expect(judge(facts)).toMatchObject({
    verdict: 'uneven',
    move: { lever: 'distribution' },
    why: [{ code: 'puck-first' }],
  })
})

test('spurting and far too fast: mend the puck and grind finer', () => {
  const facts = carefulShot({ firstDropS: 3, stopS: 15 }, { look: { stream: 'spurting', puck: null } })
  expect(judge(facts)).toMatchObject({
    verdict: 'uneven',
    move: { lever: 'grind', direction: 'finer' },
    mendToo: ['bed-uneven'],
  })
})

test('on time but sour: the ratio first, not the grind', () => {
  expect(judge(carefulShot({}, { taste: SOUR })).move).toEqual({ lever: 'ratio', direction: 'longer' })
})

test('on time but bitter, from beans that are neither dark nor old: the ratio first', () => {
  const readings = readShot(carefulShot({}, { taste: taste(1, 5, 5) }), PUMP_RECIPE, {
    ...NO_CONTEXT,
    signs: {
      'oily-dark-beans': false,
      'tastes-ashy': false,
      'tastes-rancid': false,
      'steam-at-flush': false,
      'same-for-everyone': false,
    },
    coffeeAgeDays: 12,
  })
  expect(diagnose(readings, { setting: 14, grinder: GRINDER })).toMatchObject({
    named: { causes: ['ratio-long'] },
    move: { lever: 'ratio', direction: 'shorter' },
  })
})

test('off the window but good: taste decides, leave it', () => {
  expect(judge(carefulShot({ stopS: 22 }, { taste: GOOD })).move).toEqual({ lever: 'leave' })
})

test.each([
  ['slow and sour', carefulShot({ stopS: 36 }, { taste: SOUR })],
  ['fast and bitter', carefulShot({ stopS: 21 }, { taste: BITTER })],
])('%s is not the grind: taste never pushes a shot further out', (_name, facts) => {
  expect(judge(facts).move.lever).not.toBe('grind')
})

test('a wrong yield at a right flow is a stopping fault', () => {
  expect(judge(carefulShot({ stopS: 31, cupG: 41 }, { taste: BITTER }))).toMatchObject({
    named: { causes: ['stopped-late'] },
    move: { lever: 'stop', direction: 'sooner', by: -5, unit: 'g' },
  })
})

test.each([
  ['nothing timed', carefulShot({}, { clock: null }), 'taste-it'],
  ['no cup weighed', carefulShot({ cupG: null }), 'weigh-cup'],
  ['on time, untasted', carefulShot(), 'taste-it'],
])('%s: not enough to tell, and it asks for the one thing', (_name, facts, observation) => {
  expect(judge(facts).move).toEqual({ lever: 'observe', observation })
})

test('a little fast with the dose unknown: a look before any grind move', () => {
  const { move } = judge(carefulShot({ stopS: 23.5 }, { dose: null }))
  expect(move).toMatchObject({
    lever: 'observe',
    observation: expect.stringMatching(/^(weigh-dose|taste-it)$/),
  })
})

test('a slight tilt does not spoil a good shot', () => {
  const facts = carefulShot({}, { taste: GOOD, tamp: { tilt: 'slight', lowSide: null, settled: true } })
  expect(judge(facts).move).toEqual({ lever: 'leave' })
})

test('property: a little off its window, a shot that fails the gate never moves the grind', () => {
  const littleOff = fc.integer({ min: 2160, max: 3580 }).map((hundredths) => hundredths / 100)
  fc.assert(
    fc.property(anyShot, littleOff, fc.integer({ min: 0, max: 5 }), (any, stopS, which) => {
      const faults: Partial<ShotFacts>[] = [
        { dose: { by: 'net', netG: 17.5 } },
        { dose: { by: 'net', netG: 18.7 } },
        { tamp: { tilt: 'clear', lowSide: null, settled: true } },
        { bedEven: false },
        { grinderPurged: false },
        { machineHot: false },
      ]
      const facts = carefulShot({ stopS }, { taste: any.taste, ...faults[which] })
      expect(judge(facts).move.lever).not.toBe('grind')
    }),
  )
})

test('property: a choke always wants coarser, whatever else was wrong', () => {
  fc.assert(
    fc.property(anyShot, fc.integer({ min: 32, max: 120 }), (any, stopS) => {
      const clock = { firstDrop: 'marked', firstDropS: 20, stopS, estimated: false } as const
      const facts: ShotFacts = { ...any, clock, cup: { by: 'net', netG: 4 }, abandoned: 'choked' }
      expect(judge(facts)).toMatchObject({
        move: { lever: 'grind', direction: 'coarser' },
        pressureCaution: 'choked',
      })
    }),
  )
})

test('property: every shot gets one move, and nothing held still is moved', () => {
  fc.assert(
    fc.property(anyShot, (facts) => {
      const { move, hold } = judge(facts)
      expect(hold).not.toContain(move.lever)
      if (move.lever === 'grind') expect(hold).not.toHaveLength(0)
    }),
  )
})

test('property: what to look at beside a move never takes an unchanged shot of its own', () => {
  fc.assert(
    fc.property(anyShot, (facts) => {
      const { move, lookNext } = judge(facts)
      if (move.lever === 'observe' || move.lever === 'leave' || move.lever === 'again')
        expect(lookNext).toBeNull()
      else expect(lookNext?.observation ?? '').not.toMatch(/another/)
    }),
    { numRuns: 60 },
  )
})
