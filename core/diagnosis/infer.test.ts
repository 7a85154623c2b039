import fc from 'fast-check'
import { NO_CONTEXT, type ShotContext } from '../reading/context.ts'
import { readShot } from '../reading/readShot.ts'
import type { Readings } from '../reading/types.ts'
import { type ShotFacts, unknownFacts } from '../shot/facts.ts'
import { SIGNS, type SignsSeen } from '../shot/signs.ts'
import { anyShot } from '../testing/anyShot.ts'
import { GRINDER, PUMP_RECIPE, carefulShot, taste } from '../testing/examples.ts'
import { CAUSES, FAULTS, waysOf } from './causes.ts'
import { diagnose } from './diagnose.ts'
import { evidenceOf } from './evidence.ts'
import { EVIDENCE_TABLE } from './evidenceTable.ts'
import { HYPOTHESES } from './hypotheses.ts'
import { infer } from './infer.ts'
import { shareBelow } from './likelihood.ts'

const anySigns: fc.Arbitrary<SignsSeen> = fc.dictionary(fc.constantFrom(...SIGNS), fc.boolean())
const anyReadings = fc
  .tuple(anyShot, anySigns, fc.option(fc.integer({ min: 0, max: 120 }), { nil: null }))
  .map(([facts, signs, coffeeAgeDays]) =>
    readShot(facts, PUMP_RECIPE, { ...NO_CONTEXT, signs, coffeeAgeDays }),
  )
const read = (facts: Partial<ShotFacts>, context: Partial<ShotContext> = {}): Readings =>
  readShot({ ...unknownFacts(), ...facts }, PUMP_RECIPE, { ...NO_CONTEXT, ...context })
const ask = (readings: Readings, earlier: readonly Readings[] = []) =>
  diagnose(readings, { setting: 14, grinder: GRINDER }, earlier)
const firstNamed = ({ named }: ReturnType<typeof ask>) => named.causes[0]
const chanceOf = (diagnosis: ReturnType<typeof ask>, cause: string) =>
  diagnosis.causes.find((each) => each.cause === cause)?.probability ?? 0

test('every fault has evidence, and every entry says why', () => {
  for (const way of FAULTS.flatMap(waysOf)) {
    expect(EVIDENCE_TABLE[way].length).toBeGreaterThan(0)
    for (const entry of EVIDENCE_TABLE[way]) expect(entry.because).not.toBe('')
  }
})

test('no fault, each fault and each possible pair is weighed once', () => {
  const keys = HYPOTHESES.map(({ ways }) => [...ways].sort().join('+'))
  expect(new Set(keys).size).toBe(keys.length)
  for (const fault of FAULTS) expect(HYPOTHESES.some(({ faults }) => faults.join() === fault)).toBe(true)
})

test('Student’s distribution against published quantiles, 8 degrees of freedom', () => {
  expect(shareBelow(0, 1)).toBeCloseTo(0.5, 10)
  expect(shareBelow(1.86, 1)).toBeCloseTo(0.95, 4)
  expect(shareBelow(-2.896, 1)).toBeCloseTo(0.01, 4)
  expect(shareBelow(2 * 1.86, 4)).toBeCloseTo(0.95, 4)
})

test('property: probabilities are probabilities, whatever was noted', () => {
  fc.assert(
    fc.property(anyReadings, (readings) => {
      const { posterior, causes } = infer(evidenceOf(readings))
      expect(posterior.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 9)
      expect(causes).toHaveLength(CAUSES.length)
      const total = causes.reduce((sum, { probability }) => sum + probability, 0)
      expect(total).toBeGreaterThan(1 - 1e-9)
      expect(total).toBeLessThanOrEqual(2 + 1e-9)
    }),
    { numRuns: 60 },
  )
})

test('property: contributions are what taking each piece out would change', () => {
  fc.assert(
    fc.property(anyReadings, (readings) => {
      const { items, known } = evidenceOf(readings)
      const all = infer({ items, known })
      const cause = all.causes[0]?.cause ?? 'none'
      const logOdds = (of: ReturnType<typeof infer>) => {
        const probability = of.causes.find((each) => each.cause === cause)?.probability ?? 0
        return Math.log(probability / (1 - probability))
      }
      for (const { key, logOdds: by } of all.contributions(cause).slice(0, 3)) {
        const without = infer({ items: items.filter((item) => item.key !== key), known })
        // Hypotheses that all evidence together made next to impossible are left out of the weighing.
        expect(Math.abs(logOdds(all) - logOdds(without) - by)).toBeLessThan(0.2)
      }
    }),
    { numRuns: 40 },
  )
})

test('what nobody noted says nothing: only the priors are left, and it asks', () => {
  const nothing = diagnose(read({}), { setting: null, grinder: null })
  expect(nothing).toMatchObject({ heading: 'unclear', evidence: [], move: { lever: 'observe' } })
  const prior = HYPOTHESES.reduce((sum, each) => sum + each.prior, 0)
  expect(chanceOf(nothing, 'none')).toBeCloseTo(1 / prior, 6)
})

test('words alone are enough to be asked about', () => {
  const signs: SignsSeen = {
    'ran-fast': true,
    'thin-crema': true,
    'tastes-papery': true,
    'pre-ground-coffee': false,
  }
  expect(firstNamed(ask(read({}, { signs })))).toBe('coffee-stale')
})

test('before the pull, on dose and tamp alone', () => {
  const light = read({
    dose: { by: 'net', netG: 17.2 },
    tamp: { tilt: 'level', lowSide: null, settled: true },
  })
  expect(ask(light)).toMatchObject({
    named: { causes: ['dose-low'] },
    move: { lever: 'dose', direction: 'more' },
  })
})

test('where the dose is only judged by eye, a word about it moves it without a size', () => {
  const signs: SignsSeen = { 'dose-looks-low': true, 'ran-fast': true, 'early-first-drop': true }
  const facts = { tamp: { tilt: 'level', lowSide: null, settled: true }, bedEven: true } as const
  const said = ask(read({ ...facts, look: { stream: 'even', puck: 'soup' } }, { signs }))
  expect(firstNamed(said)).toBe('dose-low')
  const { move } = said
  expect(move).toEqual({ lever: 'dose', direction: 'more', trim: null })
})

test('a dose measured by eye weighs less than one on a scale', () => {
  const facts = carefulShot({ doseG: 17.2, stopS: 24 })
  const by = (doseMethod: ShotContext['doseMethod']) =>
    chanceOf(ask(readShot(facts, PUMP_RECIPE, { ...NO_CONTEXT, doseMethod })), 'dose-low')
  expect(by('scale')).toBeGreaterThan(by('line') + 0.1)
  expect(by('line')).toBeGreaterThan(by('eye'))
})

test('a choked shot without a yield still has a cause, and nobody is sent to read the puck', () => {
  const facts: ShotFacts = {
    ...carefulShot({ firstDropS: 24, stopS: 60, cupG: null }),
    abandoned: 'choked',
    look: { stream: null, puck: null },
  }
  const diagnosis = ask(readShot(facts, PUMP_RECIPE))
  expect(diagnosis).toMatchObject({ named: { causes: ['grind-too-fine'] }, pressureCaution: 'choked' })
  expect(diagnosis.lookNext?.observation).not.toBe('read-puck')
  // A late first drop belongs to a choke, and is no riddle.
  const firstDrop = diagnosis.evidence.find(({ key }) => key === 'first-drop')
  expect(firstDrop?.logOdds).toBeGreaterThan(-0.2)
  expect(diagnosis.causes[0]?.probability).toBeGreaterThan(0.8)
})

test('two faults at once can both come out on top', () => {
  const facts = carefulShot({ doseG: 17, stopS: 23 }, { machineHot: false, taste: taste(8, 4, 1) })
  const signs: SignsSeen = { 'first-shot-of-day': true }
  const [first, second] = ask(readShot(facts, PUMP_RECIPE, { ...NO_CONTEXT, signs })).causes
  expect([first?.cause, second?.cause].sort()).toEqual(['cold', 'dose-low'])
  expect(second?.probability).toBeGreaterThan(0.7)
})

test('the same cause recurring grows surer; a slip does not carry over', () => {
  const fast = read({ ...carefulShot({ stopS: 22.5 }), tamp: unknownFacts().tamp, bedEven: null })
  expect(chanceOf(ask(fast, [fast, fast]), 'grind-too-coarse')).toBeGreaterThan(
    chanceOf(ask(fast), 'grind-too-coarse') + 0.1,
  )
  const slipped = read(carefulShot({ stopS: 21 }, { grinderPurged: false }))
  expect(chanceOf(ask(fast, [slipped]), 'not-purged')).toBeLessThan(0.15)
})

test('a cold first shot: sour once and right the second time leaves nothing to mend', () => {
  const cold = read(carefulShot({}, { taste: taste(7, 4, 1) }), { signs: { 'first-shot-of-day': true } })
  const warm = read(carefulShot({}, { taste: taste(3, 7, 3) }))
  expect(firstNamed(ask(cold))).toBe('cold')
  expect(ask(warm, [cold])).toMatchObject({
    heading: 'balanced',
    named: { causes: ['none'] },
    move: { lever: 'leave' },
  })
})

test('sour and bitter in turn at equal times: the thermostat', () => {
  const sour = read(carefulShot({}, { taste: taste(7, 5, 1) }))
  const bitter = read(carefulShot({}, { taste: taste(1, 5, 7) }))
  const said = ask(sour, [bitter, sour, bitter])
  expect(firstNamed(said)).toBe('temperature-swing')
  expect(said.move).toEqual({ lever: 'cycle' })
  // What a learner noted of the ones before makes no swing.
  const learner = read(carefulShot({}, { taste: taste(1, 5, 7) }), { tongue: 'learning' })
  expect(ask(sour, [learner, sour, learner]).move.lever).not.toBe('cycle')
})

test('times that fall as the bag ages speak for stale coffee', () => {
  const run = [29, 28.6, 27.8, 25.4, 25, 24.2].map((stopS) => read(carefulShot({ stopS })))
  const last = read(carefulShot({ stopS: 23.8 }))
  const steady = [24, 24.2, 23.7, 24.1, 23.6, 24].map((stopS) => read(carefulShot({ stopS })))
  expect(chanceOf(ask(last, run), 'coffee-stale')).toBeGreaterThan(
    chanceOf(ask(last, steady), 'coffee-stale'),
  )
})
