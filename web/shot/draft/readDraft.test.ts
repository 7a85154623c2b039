import { SHOT_BY_ITSELF } from '@calm-apron/contract'
import { BASE_UNITS, type DoseMethod, noNotes, unknownFacts } from '@calm-apron/core'
import { carefulShot } from '@calm-apron/core/testing'
import { readDraft } from './readDraft.ts'
import { type ShotDraft, draftOf, upToDate } from './shotDraft.ts'
import { useShotClock } from '../run/useShotClock.ts'

const SETTING = {
  ...SHOT_BY_ITSELF,
  shotId: 's',
  personId: 'p',
  recipeRevisionId: 'r',
  barId: 'b',
  grinderId: null,
  bagId: null,
  madeAt: '2026-11-23T10:00:00Z',
  units: BASE_UNITS,
  correcting: null,
} as const

function draft(part: Partial<ShotDraft>): ShotDraft {
  return { ...draftOf(SETTING), ...part }
}
const texts = (typed: Partial<ShotDraft['texts']>) => ({ ...draftOf(SETTING).texts, ...typed })
const weighed = (grossText: string, tareText: string) => ({
  way: 'gross' as const,
  netText: '',
  grossText,
  tareText,
  vesselId: null,
})
const tared = (netText: string) => ({
  way: 'net' as const,
  netText,
  grossText: '',
  tareText: '',
  vesselId: null,
})
const clock = (firstDropText: string, stopText: string) => ({
  startedAtMs: null,
  releaseText: '',
  firstDropText,
  stopText,
  lastDripText: '',
  unmarkedDrop: null,
  estimated: false,
  pace: 1,
})

test('an untouched draft reads as nothing known, and nothing to mend', () => {
  expect(readDraft(draft({}))).toMatchObject({ facts: unknownFacts(), issues: [] })
})

test('a comma is a decimal sign, and gross less tare is net', () => {
  const { dose, facts } = readDraft(draft({ dose: weighed('605,7', '586.4') }))
  expect(facts.dose).toEqual({ by: 'gross', grossG: 605.7, tareG: 586.4, vesselId: null })
  expect(dose.netG).toBe(19.3)
})

test('a dose that nobody weighs is its mark or its count, kept as seen; a weight that was typed wins', () => {
  const by = (doseMethod: DoseMethod, also: Partial<ShotDraft> = {}) =>
    readDraft(draft({ noted: { ...noNotes(), doseMethod }, ...also })).facts
  expect(by('razor', { doseAt: 'above' }).dose).toEqual({ by: 'mark', mark: 'razor', at: 'above' })
  expect(by('scoop', { texts: texts({ doseCount: '2,5' }) }).dose).toEqual({
    by: 'count',
    of: 'scoop',
    count: 2.5,
  })
  // Which mark it was stands in the dose itself.
  expect(by('razor', { doseAt: 'at' }).noted).toBeUndefined()
  expect(by('razor').dose).toBeNull()
  const weighedToo = by('razor', { doseAt: 'above', dose: tared('17.2') })
  expect(weighedToo).toMatchObject({ dose: { by: 'net', netG: 17.2 }, noted: { doseMethod: 'razor' } })
})

test('a correction of a dose that was seen begins with what was seen, and keeps it', () => {
  for (const dose of [
    { by: 'mark', mark: 'basket-line', at: 'below' },
    { by: 'count', of: 'lever-pulls', count: 6.5 },
  ] as const) {
    const facts = { ...carefulShot(), dose }
    const corrected = draftOf({ ...SETTING, correcting: { basedOnNo: 1, reason: '' } }, facts)
    expect(readDraft(corrected).facts.dose).toEqual(dose)
  }
})

test('ounces are stored as grams', () => {
  const { facts } = readDraft(draft({ units: { ...BASE_UNITS, mass: 'oz' }, dose: tared('0.642') }))
  expect(facts.dose).toEqual({ by: 'net', netG: 18.2 })
})

test.each([
  ['letters', { dose: tared('abc') }, 'dose.net', 'not-a-number'],
  ['190 g', { dose: tared('190') }, 'dose.net', 'above'],
  ['a negative weight', { cup: tared('-3') }, 'cup.net', 'negative'],
  ['a doubtful comma', { cup: weighed('1,234', '87.3') }, 'cup.gross', 'ambiguous'],
  ['no empty weight', { dose: weighed('605', '') }, 'dose.tare', 'tare-missing'],
  ['swapped weights', { dose: weighed('586.4', '605.7') }, 'dose.tare', 'tare-above-gross'],
  ['a stop before the first drop', { clock: clock('9', '5') }, 'stop', 'stop-before-first-drop'],
  ['a first drop without a stop', { clock: clock('9', '') }, 'stop', 'stop-missing'],
  ['an absurd setting', { texts: texts({ grindSetting: '5000' }) }, 'grindSetting', 'above'],
])('%s: said at its field, and not taken as known', (_name, part, field, code) => {
  const { issues, facts } = readDraft(draft(part))
  expect(issues).toEqual([expect.objectContaining({ field, issue: expect.objectContaining({ code }) })])
  expect(facts).toEqual(unknownFacts())
})

test('an unmarked first drop is "missed" unless someone says that none came', () => {
  expect(readDraft(draft({ clock: clock('', '28') })).facts.clock?.firstDrop).toBe('missed')
  expect(
    readDraft(draft({ clock: { ...clock('', '45'), unmarkedDrop: 'none' } })).facts.clock?.firstDrop,
  ).toBe('none')
})

test('facts become a draft and the same facts again', () => {
  const facts = {
    ...unknownFacts(),
    grindSetting: 13.5,
    dose: { by: 'gross' as const, grossG: 605.7, tareG: 586.4, vesselId: 'v' },
    cup: { by: 'net' as const, netG: 38.5 },
    clock: { firstDrop: 'marked' as const, firstDropS: 6.4, stopS: 27.3, estimated: true },
  }
  expect(readDraft(draftOf(SETTING, facts)).facts).toEqual(facts)
})

test('a draft that an earlier version kept is brought up to date, and nothing of it is lost', () => {
  const { texts: _texts, units: _units, noted: _noted, note: _note, photos: _photos, ...kept } = draft({})
  const { releaseText: _release, pace: _pace, ...oldClock } = clock('7', '28')
  // What the former version kept lacks these by its very type.
  const old = { ...kept, clock: oldClock as ShotDraft['clock'], grindText: '14', massUnit: 'oz' as const }
  const extra = { beans: '0.65', prediction: '27' }
  const { facts } = readDraft(upToDate({ ...old, extra }))
  expect(facts).toMatchObject({
    grindSetting: 14,
    clock: { firstDropS: 7, stopS: 28 },
    noted: { beansInG: 18.427, predicted: { byPersonS: 27 } },
  })
})

test('what a scale saw at the stop, in a draft of before it could be typed, is kept', () => {
  const { texts: kept, ...rest } = draft({ clock: clock('7', '28') })
  const { weightAtStopG: _text, ...texts } = kept
  const noted = { ...noNotes(), weightAtStopG: 36.8 }
  // The former version's texts lack this one by their very type.
  const former = { ...rest, noted, texts: texts as ShotDraft['texts'] }
  expect(readDraft(upToDate(former)).facts.noted?.weightAtStopG).toBe(36.8)
})

test('what is noted besides is a part of the facts only where something was', () => {
  const untouched = readDraft(draft({})).facts
  expect('noted' in untouched || 'measured' in untouched).toBe(false)
  const { facts } = readDraft(
    draft({
      cup: tared('36.4'),
      texts: texts({ beansInG: '18.6', tampForceN: '131', secondCupG: '18,1', predictedS: '28' }),
    }),
  )
  expect(facts.measured).toMatchObject({ tampForceN: 131, cupMl: null })
  expect(facts.noted).toMatchObject({
    beansInG: 18.6,
    cupsG: [18.3, 18.1],
    predicted: { byPersonS: 28, byToolS: null },
  })
})

test('a release after the stop names its field', () => {
  const { issues } = readDraft(draft({ clock: { ...clock('7', '28'), releaseText: '30' } }))
  expect(issues).toEqual([{ field: 'release', step: 'pull', issue: { code: 'release-after-stop' } }])
})

test('a correction changes only what was changed: what was recorded finer than it is shown stays', () => {
  const recorded = carefulShot(
    {},
    {
      dose: { by: 'gross', grossG: 604.75, tareG: 586.5, vesselId: null },
      cup: { by: 'net', netG: 36.04 },
      clock: { firstDrop: 'marked', firstDropS: 6.42, stopS: 28.123, preinfusionEndS: 3.3, estimated: false },
      measured: { cupMl: null, tampForceN: 132.5, leadG: 1.7 },
      noted: { ...noNotes(), beansInG: 18.25, cupsG: [18.01, 18.03] },
    },
  )
  for (const unit of ['g', 'oz'] as const) {
    const filled = draftOf(
      { ...SETTING, units: { ...BASE_UNITS, mass: unit }, correcting: { basedOnNo: 1, reason: '' } },
      recorded,
    )
    expect(readDraft(filled).facts).toEqual(recorded)
    filled.cup.netText = unit === 'g' ? '36,5' : '1,287'
    const { facts } = readDraft(filled)
    expect(facts.cup).toEqual({ by: 'net', netG: unit === 'g' ? 36.5 : expect.closeTo(36.49, 1) })
    expect([facts.dose, facts.clock, facts.measured, facts.noted?.beansInG]).toEqual([
      recorded.dose,
      recorded.clock,
      recorded.measured,
      18.25,
    ])
  }
})

test('a comma is a decimal sign in a time as well', () => {
  const typed = draftOf(SETTING)
  Object.assign(typed.clock, { firstDropText: '6,5', stopText: '27,5' })
  expect(readDraft(typed).facts.clock).toMatchObject({ firstDropS: 6.5, stopS: 27.5 })
  expect(useShotClock(typed.clock).dropS.value).toBe(21)
})
