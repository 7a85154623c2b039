import { bandAt } from './grindChances.ts'
import { finenessOf, targetLn } from './observations.ts'
import { type GrindKnown, situationOf } from './situation.ts'

/** The line that the shots so far draw, and the shots themselves at the recipe's dose; times in s on its clock. */
export interface GrindFit {
  line: { setting: number; s: number; lowS: number; highS: number }[]
  shots: { setting: number; s: number; bound: 'at-least' | 'at-most' | null }[]
}

const POINTS = 25

/**
 * Time against setting as believed now: the line, the range in which a shot falls four times out of five, and the
 * session's shots of this coffee.
 * @param from,to the settings between which the line is drawn
 */
export function grindFit(known: GrindKnown, [from, to]: readonly [number, number]): GrindFit {
  const { model, here, recipe, grinder } = situationOf(known)
  const middle = targetLn(recipe)
  const line = Array.from({ length: POINTS }, (_, at) => {
    const setting = from + ((to - from) * at) / (POINTS - 1)
    const band = bandAt(model, finenessOf(setting, grinder))
    const seconds = (missLn: number) => Math.exp(middle + missLn)
    return { setting, s: seconds(band.middle), lowS: seconds(band.low), highS: seconds(band.high) }
  })
  const shots = here.map(({ setting, missLn, doseLn, bound }) => ({
    setting,
    s: Math.exp(middle + missLn - model.dose.elasticity * doseLn),
    bound,
  }))
  return { line, shots }
}
