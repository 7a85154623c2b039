import fc from 'fast-check'
import { type RatingPair, weightedKappa } from './agreement.ts'
import { type TastingSlip, tastingAgreement } from './tastingAgreement.ts'

describe('weighted kappa', () => {
  const pairs = (table: number[][]): RatingPair[] =>
    table.flatMap((row, a) =>
      row.flatMap((count, b) => Array.from({ length: count }, (): RatingPair => [a, b])),
    )

  test('by hand: two answers, where linear weights are none at all', () => {
    // Observed 0.7; by chance 0.6 × 0.5 + 0.4 × 0.5 = 0.5; κ = 0.4.
    const { kappa, pairs: n } = weightedKappa(
      pairs(
        [
          [20, 5],
          [10, 15],
        ].map((row) => row),
      ),
      2,
    )
    expect(n).toBe(50)
    expect(kappa).toBeCloseTo(0.4)
  })

  test('by hand: three ordered answers', () => {
    // Weights 1, ½, 0. Observed 0.5 + ½ · 0.5 = 0.75; rows (.5 .5 0), columns (.25 .5 .25): by chance
    // .5 · (.25 + .25) + .5 · (.125 + .5 + .125) = 0.625; κ = (0.75 − 0.625) ÷ 0.375 = ⅓.
    const { kappa } = weightedKappa(
      pairs([
        [1, 1, 0],
        [0, 1, 1],
        [0, 0, 0],
      ]),
      3,
    )
    expect(kappa).toBeCloseTo(1 / 3)
  })

  test('full agreement is 1, and its interval is no wider', () => {
    expect(
      weightedKappa(
        pairs([
          [5, 0, 0],
          [0, 5, 0],
          [0, 0, 5],
        ]),
        3,
      ),
    ).toEqual({ kappa: 1, low: 1, high: 1, pairs: 15 })
  })

  test('one answer throughout tells nothing', () => {
    expect(
      weightedKappa(
        pairs([
          [9, 0],
          [0, 0],
        ]),
        2,
      ).kappa,
    ).toBeNull()
    expect(weightedKappa([], 3).kappa).toBeNull()
  })

  test('it is the same whichever taster is named first, and lies inside its interval', () => {
    const rating = fc.integer({ min: 0, max: 2 })
    fc.assert(
      fc.property(fc.array(fc.tuple(rating, rating), { minLength: 2, maxLength: 40 }), (list) => {
        const there = weightedKappa(list, 3)
        const back = weightedKappa(
          list.map(([a, b]) => [b, a] as const),
          3,
        )
        if (there.kappa === null || there.low === null || there.high === null) return
        expect(back.kappa).toBeCloseTo(there.kappa, 9)
        expect(there.low).toBeLessThanOrEqual(there.kappa + 1e-9)
        expect(there.high).toBeGreaterThanOrEqual(there.kappa - 1e-9)
      }),
    )
  })
})

describe('two tasters', () => {
  const slip = (sour: number | null, bitter: number | null): TastingSlip => ({
    sour,
    sweet: 5,
    bitter,
    body: null,
    dryness: null,
  })

  test('someone who finds all cups two points sourer, but evenly so, is biased and sharp', () => {
    const cups = [1, 3, 5, 7].map((sour) => ({ taster: slip(sour + 2, 4), reference: slip(sour, 4) }))
    const { sour, bitter, body } = tastingAgreement(cups, 2).axes
    expect(sour).toEqual({ cups: 4, meanDifference: 2, bias: 2, sharpness: 0 })
    expect(bitter).toMatchObject({ meanDifference: 0, bias: 0 })
    expect(body).toEqual({ cups: 0, meanDifference: null, bias: null, sharpness: null })
  })

  test('verdicts are compared on under, balanced, over', () => {
    const same = [slip(8, 2), slip(4, 4), slip(1, 8)].map((each) => ({ taster: each, reference: each }))
    expect(tastingAgreement(same, 2).verdict).toMatchObject({ kappa: 1, pairs: 3 })
  })

  test('a cup that one of them could not tell is left out', () => {
    const { axes, verdict } = tastingAgreement([{ taster: slip(null, 3), reference: slip(4, 3) }], 2)
    expect(axes.sour.cups).toBe(0)
    expect(verdict.pairs).toBe(0)
  })
})
