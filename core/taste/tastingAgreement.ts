import { TASTE_AXES, type TasteAxis } from '../shot/facts.ts'
import { type Kappa, weightedKappa } from './agreement.ts'

/** One taster's slip: each axis 0–10, null where they could not tell. */
export type TastingSlip = Record<TasteAxis, number | null>

/** One cup tasted blind by two people. */
export interface DoubleTasting {
  taster: TastingSlip
  reference: TastingSlip
}

/** How far two tasters agree on one axis, 0–10. */
export interface AxisAgreement {
  cups: number
  /** Mean absolute difference on 0–10; null where no cup was tasted by both. */
  meanDifference: number | null
  /** Mean of taster − reference: what the taster habitually adds. */
  bias: number | null
  /** Sd of taster − reference once the bias is taken out: how sharp the taster is. Null under two cups. */
  sharpness: number | null
}

/** How far a taster agrees with a reference. */
export interface TastingAgreement {
  axes: Record<TasteAxis, AxisAgreement>
  /** On under – balanced – over. */
  verdict: Kappa
}

/**
 * How far a taster agrees with a reference, axis by axis and on the verdict that follows from sour and bitter.
 * @param tolerance how far apart sour and bitter may be in a balanced cup
 */
export function tastingAgreement(tastings: readonly DoubleTasting[], tolerance: number): TastingAgreement {
  const verdicts = tastings.flatMap(({ taster, reference }) => {
    const [a, b] = [leaning(taster, tolerance), leaning(reference, tolerance)]
    return a === null || b === null ? [] : [[a, b] as const]
  })
  const axis = (name: TasteAxis) => agreementOn(name, tastings)
  const [sour, sweet, bitter, body, dryness] = TASTE_AXES
  return {
    axes: {
      sour: axis(sour),
      sweet: axis(sweet),
      bitter: axis(bitter),
      body: axis(body),
      dryness: axis(dryness),
    },
    verdict: weightedKappa(verdicts, 3),
  }
}

/** 0 under, 1 balanced, 2 over. */
function leaning({ sour, bitter }: TastingSlip, tolerance: number): number | null {
  if (sour === null || bitter === null) return null
  if (Math.abs(bitter - sour) <= tolerance) return 1
  return bitter > sour ? 2 : 0
}

function agreementOn(axis: TasteAxis, tastings: readonly DoubleTasting[]): AxisAgreement {
  const differences = tastings.flatMap(({ taster, reference }) => {
    const [a, b] = [taster[axis], reference[axis]]
    return a === null || b === null ? [] : [a - b]
  })
  const cups = differences.length
  if (cups === 0) return { cups, meanDifference: null, bias: null, sharpness: null }
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / cups
  const bias = mean(differences)
  const squares = differences.map((difference) => (difference - bias) ** 2)
  return {
    cups,
    meanDifference: mean(differences.map(Math.abs)),
    bias,
    sharpness: cups < 2 ? null : Math.sqrt((mean(squares) * cups) / (cups - 1)),
  }
}
