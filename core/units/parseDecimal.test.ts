import fc from 'fast-check'
import { parseDecimal } from './parseDecimal.ts'

test.each([
  ['18.2', 18.2],
  ['18,2', 18.2],
  [' 18 ', 18],
  ['0,5', 0.5],
  ['.5', 0.5],
  ['18.', 18],
  ['−0.6', -0.6],
  ['0,123', 0.123],
  ['1234,5', 1234.5],
])('"%s" is %d', (typed, value) => {
  expect(parseDecimal(typed)).toEqual({ ok: true, value })
})

test.each(['abc', '18g', '1.2.3', '1,2,3', '--1', 'NaN', 'Infinity', '1e3', '0x10', '١٨'])(
  '"%s" is no number',
  (typed) => {
    expect(parseDecimal(typed)).toEqual({ ok: false, code: 'not-a-number' })
  },
)

test('a comma that could part thousands is asked about, with both readings', () => {
  expect(parseDecimal('1,234')).toEqual({ ok: false, code: 'ambiguous', asDecimal: 1.234, asThousands: 1234 })
})

test('an empty field is empty, not zero', () => {
  expect(parseDecimal('  ')).toEqual({ ok: false, code: 'empty' })
})

test('what was written with one decimal reads back the same, with a point or a comma', () => {
  fc.assert(
    fc.property(fc.integer({ min: -9999, max: 9999 }), (tenths) => {
      const text = (tenths / 10).toFixed(1)
      expect(parseDecimal(text)).toEqual({ ok: true, value: Number(text) })
      expect(parseDecimal(text.replace('.', ','))).toEqual({ ok: true, value: Number(text) })
    }),
  )
})

test('no text whatever is read as something that is not a finite number', () => {
  fc.assert(
    fc.property(fc.string(), (text) => {
      const parsed = parseDecimal(text)
      expect(!parsed.ok || Number.isFinite(parsed.value)).toBe(true)
    }),
  )
})
