import fc from 'fast-check'
import { PACKED_SERIES, packSeries, unpackSeries } from './series.ts'

const hundredths = (max: number) => fc.integer({ min: -100, max }).map((value) => value / 100)

test('what was packed comes back, exact to a hundredth, and is what the contract lets through', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ timeS: hundredths(12_000), weightG: hundredths(30_000) }), { maxLength: 80 }),
      (samples) => {
        const packed = packSeries(samples)
        expect(packed).toMatch(PACKED_SERIES)
        unpackSeries(packed).forEach((sample, at) => {
          expect(sample.timeS).toBeCloseTo(samples[at]?.timeS ?? NaN, 9)
          expect(sample.weightG).toBeCloseTo(samples[at]?.weightG ?? NaN, 9)
        })
      },
    ),
  )
})

test('half a minute at ten a second stays under two thousand signs', () => {
  const samples = Array.from({ length: 300 }, (_, at) => ({ timeS: at / 10, weightG: at * 0.13 }))
  expect(packSeries(samples).length).toBeLessThan(2000)
})
