import fc from 'fast-check'
import { calibrateDoser, dosingSeconds, retentionG } from './calibrateDoser.ts'
import { stopLead } from './stopLead.ts'

describe('a grinder that doses by time', () => {
  test('one portion: in proportion', () => {
    const calibration = calibrateDoser([{ seconds: 8, grams: 16 }])
    expect(calibration && dosingSeconds(calibration, 18)).toBe(9)
  })

  test('several portions of one length are one portion, their mean', () => {
    expect(
      calibrateDoser([
        { seconds: 8, grams: 15.8 },
        { seconds: 8, grams: 16.2 },
      ]),
    ).toEqual({ gramsPerS: 2, deadTimeS: 0 })
  })

  test.each([
    ['nothing', []],
    [
      'more seconds for fewer grams',
      [
        { seconds: 6, grams: 14 },
        { seconds: 8, grams: 12 },
      ],
    ],
    ['an empty portion', [{ seconds: 6, grams: 0 }]],
  ])('%s tells nothing', (_name, portions) => {
    expect(calibrateDoser(portions)).toBeNull()
  })

  test('from two lengths on it finds the line, dead time and all', () => {
    const rate = fc.double({ min: 0.5, max: 5, noNaN: true })
    const dead = fc.double({ min: 0, max: 1, noNaN: true })
    fc.assert(
      fc.property(rate, dead, (gramsPerS, deadTimeS) => {
        const portions = [5, 7, 9].map((seconds) => ({ seconds, grams: gramsPerS * (seconds - deadTimeS) }))
        const calibration = calibrateDoser(portions)
        expect(calibration?.gramsPerS).toBeCloseTo(gramsPerS, 6)
        expect(calibration?.deadTimeS).toBeCloseTo(deadTimeS, 6)
      }),
    )
  })

  test('what went in and did not come out stayed inside', () => {
    expect(retentionG(18.4, 18.1)).toBeCloseTo(0.3)
  })
})

describe('the stop cue', () => {
  test('of a machine that is not known yet it comes 1.5 g early', () => {
    expect(stopLead([])).toBe(1.5)
  })

  test('it learns, and the prior fades', () => {
    expect(stopLead([2.5])).toBe(2)
    expect(stopLead(Array<number>(10).fill(2.5))).toBeCloseTo(2.5)
  })

  test('a shaken scale does not move it', () => {
    expect(stopLead([2.4, 2.5, 2.6, 2.5, 2.4, 2.6, 40])).toBeLessThan(2.6)
  })

  test('only the last ten shots speak', () => {
    expect(stopLead([...Array<number>(30).fill(9), ...Array<number>(10).fill(2)])).toBeCloseTo(2)
  })
})
