import { BOUNDS } from '@calm-apron/contract'
import { readNumber, readWeighing } from './readEntry.ts'
import type { WeighingEntry } from './shotDraft.ts'

const SECONDS = { min: 1, max: 120 }
const entry = (typed: Partial<WeighingEntry>): WeighingEntry => ({
  way: 'gross',
  netText: '',
  grossText: '',
  tareText: '',
  vesselId: null,
  ...typed,
})
const weigh = (typed: Partial<WeighingEntry>, unit: 'g' | 'oz' = 'g') =>
  readWeighing(entry(typed), BOUNDS.doseNetG, unit)

test.each([
  ['', null, null],
  ['27.5', 27.5, null],
  ['27,5', 27.5, null],
  [' 27.5 ', 27.5, null],
  ['fast', null, { code: 'not-a-number' }],
  ['-3', -3, { code: 'negative' }],
  ['0.5', 0.5, { code: 'below', limit: 1 }],
  ['500', 500, { code: 'above', limit: 120 }],
  ['1,250', 1.25, null],
])('"%s" is read as %p, and what is wrong with it is %j', (text, value, issue) => {
  expect(readNumber(text, SECONDS)).toEqual({ value, issue })
})

test('where a comma could part thousands it is asked which is meant', () => {
  expect(readNumber('1,250', { min: 0, max: 2000 })).toEqual({
    value: null,
    issue: { code: 'ambiguous', asDecimal: 1.25, asThousands: 1250 },
  })
})

test('a weight in ounces is kept in grams', () => {
  expect(weigh({ way: 'net', netText: '0.635' }, 'oz').weighing).toEqual({ by: 'net', netG: 18.002 })
})

test('full less empty is what is in it, with the vessel it was weighed in', () => {
  const vesselId = '019a5c00-0000-7004-8000-000000000001'
  expect(weigh({ grossText: '605.7', tareText: '586.4', vesselId })).toEqual({
    weighing: { by: 'gross', grossG: 605.7, tareG: 586.4, vesselId },
    netG: 19.3,
    readingG: 605.7,
    issues: {},
  })
})

test.each([
  [{ grossText: '605.7' }, { tare: { code: 'tare-missing' } }],
  [{ grossText: '18', tareText: '586.4' }, { tare: { code: 'tare-above-gross' } }],
  [{ grossText: '900', tareText: '586.4' }, { gross: { code: 'above', limit: BOUNDS.doseNetG.max } }],
  [
    { grossText: 'x', tareText: 'y' },
    { gross: { code: 'not-a-number' }, tare: { code: 'not-a-number' } },
  ],
])('%j counts as no weight, and says at which field why', (typed, issues) => {
  const read = weigh(typed)
  expect([read.weighing, read.netG, read.issues]).toEqual([null, null, issues])
})

test('what the scale showed is kept apart, so that a forgotten tare can be rescued', () => {
  expect(weigh({ way: 'net', netText: '605.7' })).toMatchObject({ weighing: null, readingG: 605.7 })
})
