import { normalCdf } from '../statistics/normal.ts'
import { bent } from './curve.ts'
import type { GrindModel, GrindNodes } from './grindModel.ts'

/** ln(time ÷ target) of each node at a fineness. */
function missesAt({ nodes, at }: GrindModel, fineness: number): Float64Array {
  const { count, place, slope, bend } = nodes
  const misses = new Float64Array(count)
  for (let no = 0; no < count; no += 1)
    misses[no] = bent((place[no] ?? 0) + (slope[no] ?? 0) * (fineness - at), bend[no] ?? 0)
  return misses
}

/** ln(time ÷ target) to expect at a fineness, and how sure, without the noise of the shot itself. */
export function missLnAt(model: GrindModel, fineness: number, shiftLn = 0): { mean: number; sd: number } {
  const { count, weight } = model.nodes
  const misses = missesAt(model, fineness)
  let [sum, squares] = [0, 0]
  for (let no = 0; no < count; no += 1) {
    const [miss, its] = [misses[no] ?? 0, weight[no] ?? 0]
    sum += its * miss
    squares += its * miss * miss
  }
  return { mean: sum + shiftLn, sd: Math.sqrt(Math.max(0, squares - sum * sum)) }
}

/** Four times out of five a shot falls within this many spreads. */
const FOUR_IN_FIVE = 1.2816
const [ONE_IN_TEN, NINE_IN_TEN] = [0.1, 0.9]

/**
 * Where ln(time ÷ target) of the next shot at a fineness lies: as likely above as below, and the band it falls in four
 * times out of five, noise included. Told by shares and not by a spread, because far from what was seen it leans.
 */
export function bandAt(
  model: GrindModel,
  fineness: number,
  shiftLn = 0,
): { middle: number; low: number; high: number } {
  const { count, weight } = model.nodes
  const misses = missesAt(model, fineness)
  const order = Array.from({ length: count }, (_, no) => no).sort(
    (a, b) => (misses[a] ?? 0) - (misses[b] ?? 0),
  )
  const found = { low: 0, middle: 0, high: 0 }
  let below = 0
  for (const no of order) {
    const before = below
    below += weight[no] ?? 0
    const isAt = (share: number) => before < share && below >= share
    if (isAt(ONE_IN_TEN)) found.low = misses[no] ?? 0
    if (isAt(0.5)) found.middle = misses[no] ?? 0
    if (isAt(NINE_IN_TEN)) found.high = misses[no] ?? 0
  }
  const noise = FOUR_IN_FIVE * model.mean.noise
  const middle = found.middle + shiftLn
  return {
    middle,
    low: middle - Math.hypot(found.middle - found.low, noise),
    high: middle + Math.hypot(found.high - found.middle, noise),
  }
}

/** What the next shot at a fineness is likely to do, and what it would leave unknown. */
export interface Chances {
  /** That it lies in the window. */
  inWindow: number
  /** That it does, and truly belongs there. */
  landed: number
  /** That the setting truly belongs there, whatever the shot reads. */
  belongs: number
  /** How unsure the fineness that reaches the target would be after it (sd), in ln of time at the target. */
  leftSd: number
}

/**
 * @param half half the window's width, in ln of time
 * @param shiftsLn what other doses or yields do to ln time: the chances of each
 */
export function chancesAt(
  model: GrindModel,
  fineness: number,
  half: number,
  shiftsLn: readonly number[],
): Chances[] {
  const misses = missesAt(model, fineness)
  const leftSd = leftAfter(model, misses)
  return shiftsLn.map((shift) => ({ ...landing(model.nodes, misses, half, shift), leftSd }))
}

function landing(
  { count, weight, noise }: GrindNodes,
  misses: Float64Array,
  half: number,
  shiftLn: number,
): Omit<Chances, 'leftSd'> {
  let [inWindow, landed, belongs] = [0, 0, 0]
  for (let no = 0; no < count; no += 1) {
    const [miss, sd, its] = [(misses[no] ?? 0) + shiftLn, noise[no] ?? 0, weight[no] ?? 0]
    if (Math.abs(miss) > half + 4 * sd) continue
    const chance = normalCdf((half - miss) / sd) - normalCdf((-half - miss) / sd)
    inWindow += its * chance
    if (Math.abs(miss) > half) continue
    landed += its * chance
    belongs += its
  }
  return { inWindow, landed, belongs }
}

/** The shot tells of the target as far as its time and the fineness that reaches the target go together. */
function leftAfter({ nodes, at, mean }: GrindModel, misses: Float64Array): number {
  const { count, weight, noise, place, slope } = nodes
  let [missSum, missSquares, wantedSquares, together] = [0, 0, 0, 0]
  for (let no = 0; no < count; no += 1) {
    const [miss, sd, its] = [misses[no] ?? 0, noise[no] ?? 0, weight[no] ?? 0]
    const wanted = at - (place[no] ?? 0) / (slope[no] ?? 1) - mean.wanted
    missSum += its * miss
    missSquares += its * (miss * miss + sd * sd)
    wantedSquares += its * wanted * wanted
    together += its * miss * wanted
  }
  const seen = Math.max(1e-9, missSquares - missSum * missSum)
  return Math.sqrt(Math.max(0, wantedSquares - (together * together) / seen)) * mean.slope
}
