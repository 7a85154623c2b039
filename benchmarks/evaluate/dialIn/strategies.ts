import {
  type DialInGrinder,
  type GrindSeen,
  type SessionShot,
  adviseGrind,
  isDialInOver,
} from '@calm-apron/core'
import { RECIPE } from '../recipe.ts'
import { BASKET, COFFEE, type DialInBench, type Wanted, recipeOf } from './dialInBench.ts'

/** A way of dialling in: this session's shots, and what came before it, to the next one; or to the end. */
export type Strategy = (
  session: readonly SessionShot[],
  earlier: readonly GrindSeen[],
  bench: DialInBench,
) => (Wanted & { isWayTold?: boolean }) | 'done'
/** What hands do until the window is hit. */
type Search = (...given: Parameters<Strategy>) => Wanted

/** −1: wants finer, because it ran fast or tasted sour. 1: wants coarser. */
function sideOf({ cameOut, leaning, timeS }: SessionShot): -1 | 0 | 1 {
  if (cameOut === 'choked' || cameOut === 'slow' || leaning === 'over') return 1
  if (cameOut === 'gushed' || cameOut === 'fast' || leaning === 'under') return -1
  if (cameOut !== 'unknown' || leaning !== null || timeS === null) return 0
  return timeS < RECIPE.timeMinS ? -1 : timeS > RECIPE.timeMaxS ? 1 : 0
}

const finerSign = ({ finerIs }: DialInGrinder) => (finerIs === 'higher' ? 1 : -1)

function onScale(setting: number, { minSetting, maxSetting, settingStep }: DialInGrinder): number {
  const rounded = minSetting + Math.round((setting - minSetting) / settingStep) * settingStep
  return Math.round(1000 * Math.min(maxSetting, Math.max(minSetting, rounded))) / 1000
}

/** A step as hands count it: on a fine scale several of its marks. */
function handStep({ minSetting, maxSetting, settingStep }: DialInGrinder): number {
  return Math.max(settingStep, Math.round((maxSetting - minSetting) / 30 / settingStep) * settingStep)
}

const at = (setting: number): Wanted => ({ setting, doseG: RECIPE.doseG, yieldG: RECIPE.yieldG })

function begin({ startSetting }: DialInBench, earlier: readonly GrindSeen[]): Wanted {
  const worked = earlier.findLast(
    ({ coffeeId, timeS }) =>
      coffeeId === COFFEE && timeS !== null && timeS >= RECIPE.timeMinS && timeS <= RECIPE.timeMaxS,
  )
  return at(worked?.setting ?? startSetting)
}

/** Where two neighbouring settings lie on either side of the window, anyone tries the faster with more in it. */
function betweenSteps(session: readonly SessionShot[], grinder: DialInGrinder): Wanted | null {
  const fineness = (shot: SessionShot) => finerSign(grinder) * shot.setting
  const fast = session.filter((shot) => sideOf(shot) < 0).sort((a, b) => fineness(b) - fineness(a))[0]
  const slow = session.filter((shot) => sideOf(shot) > 0).sort((a, b) => fineness(a) - fineness(b))[0]
  if (!fast || !slow) return null
  if (Math.abs(fast.setting - slow.setting) > grinder.settingStep * 1.01) return null
  const tried = session.filter((shot) => shot.setting === fast.setting && shot.doseWantedG !== null)
  const last = tried.at(-1)
  if (last === undefined) return { ...at(fast.setting), doseG: RECIPE.doseG + 0.2 }
  const doseG = (last.doseWantedG ?? RECIPE.doseG) - 0.1 * sideOf(last)
  return { ...at(fast.setting), doseG: Math.round(10 * doseG) / 10 }
}

function stepwise(sizeOf: (session: readonly SessionShot[]) => number): Search {
  return (session, earlier, bench) => {
    const { grinder } = bench
    const last = session.at(-1)
    if (last === undefined) return begin(bench, earlier)
    const between = betweenSteps(session, grinder)
    if (between) return between
    const by = -sideOf(last) * finerSign(grinder) * sizeOf(session) * handStep(grinder)
    return at(onScale(last.setting + by, grinder))
  }
}

/** Pulls a shot that was in the window once more, and ends with the second at one setting. */
function confirming(search: Search): Strategy {
  return (session, ...rest) => {
    const [before, last] = [session.at(-2), session.at(-1)]
    if (last === undefined || sideOf(last) !== 0) return search(session, ...rest)
    const isConfirmed =
      before !== undefined &&
      sideOf(before) === 0 &&
      before.setting === last.setting &&
      before.doseWantedG === last.doseWantedG
    return isConfirmed ? 'done' : { ...at(last.setting), doseG: last.doseWantedG ?? RECIPE.doseG }
  }
}

function hasCrossed(session: readonly SessionShot[]): boolean {
  const sides = session.map(sideOf).filter((side) => side !== 0)
  return sides.some((side) => side !== sides[0])
}

/** Two steps towards the window; one, once it has been crossed. */
const searchByTwo = stepwise((session) => (hasCrossed(session) ? 1 : 2))
export const twoSteps = confirming(searchByTwo)
/** Three steps until the window is crossed, then one at a time. */
export const threeThenOne = confirming(stepwise((session) => (hasCrossed(session) ? 1 : 3)))

/** Doubles its step until the window is bracketed, then halves the bracket. */
export const bracketAndBisect = confirming((session, earlier, bench) => {
  const { grinder } = bench
  const last = session.at(-1)
  if (last === undefined) return begin(bench, earlier)
  const between = betweenSteps(session, grinder)
  if (between) return between
  const sign = finerSign(grinder)
  const fast = session.filter((shot) => sideOf(shot) < 0).map(({ setting }) => sign * setting)
  const slow = session.filter((shot) => sideOf(shot) > 0).map(({ setting }) => sign * setting)
  if (fast.length > 0 && slow.length > 0) {
    const middle = (Math.max(...fast) + Math.min(...slow)) / 2
    return at(onScale(sign * middle, grinder))
  }
  const by = -sideOf(last) * sign * handStep(grinder) * 2 ** session.length
  return at(onScale(last.setting + by, grinder))
})

/** A straight line through ln(time) against setting, of this session or else of all there is. */
export const leastSquares = lineThrough(() => null)

/** The same with a slope to begin from, which happens to be the true one: as good as such a rival can be. */
export const luckySlope = lineThrough(({ trueLnPerUnit }) => trueLnPerUnit)

/** How far apart, in settings of a common scale, the made-up shots that stand for a known slope are. */
const PRIOR_SPREAD = 6

function lineThrough(slopeOf: (bench: DialInBench) => number | null): Strategy {
  return confirming((session, earlier, bench) => {
    const { grinder } = bench
    const last = session.at(-1)
    if (last === undefined) return begin(bench, earlier)
    const between = betweenSteps(session, grinder)
    if (between) return between
    const points = [...earlier, ...session].flatMap(({ setting, timeS, bound }) =>
      timeS !== null && bound === null ? [{ x: setting, y: Math.log(timeS) }] : [],
    )
    const known = slopeOf(bench)
    const line = fitted(points, known === null ? null : known * finerSign(grinder), handStep(grinder))
    if (line === null || line.slope * finerSign(grinder) <= 0) return searchByTwo(session, earlier, bench)
    const target = (Math.log(RECIPE.timeMinS) + Math.log(RECIPE.timeMaxS)) / 2
    const setting = onScale(line.x + (target - line.y) / line.slope, grinder)
    // Having missed where the line points, standing still would be no strategy.
    return setting === last.setting ? stepwise(() => 1)(session, earlier, bench) : at(setting)
  })
}

function fitted(
  points: readonly { x: number; y: number }[],
  slope: number | null,
  step: number,
): { x: number; y: number; slope: number } | null {
  const [first] = points
  if (first === undefined || (points.length < 2 && slope === null)) return null
  const mean = (of: 'x' | 'y') => points.reduce((sum, point) => sum + point[of], 0) / points.length
  const [x, y] = [mean('x'), mean('y')]
  const prior = slope === null ? 0 : (PRIOR_SPREAD * step) ** 2
  const xx = points.reduce((sum, point) => sum + (point.x - x) ** 2, 0) + prior
  const xy = points.reduce((sum, point) => sum + (point.x - x) * (point.y - y), 0) + prior * (slope ?? 0)
  return xx < 1e-9 ? null : { x, y, slope: xy / xx }
}

/** The adviser of the core; where nothing is known it begins where its rivals do. */
export const adviser: Strategy = (session, earlier, bench) => {
  if (session.length === 0 && earlier.length === 0) return at(bench.startSetting)
  const { step, setting, doseG, yieldG, waysOut } = adviseGrind({
    history: earlier,
    session,
    recipe: recipeOf(bench),
    grinder: bench.grinder,
    wish: { coffeeId: COFFEE, basketId: BASKET, doseRangeG: DOSE_RANGE_G, pricePerKg: null },
  })
  return isDialInOver(step)
    ? 'done'
    : { setting, doseG, yieldG, isWayTold: waysOut.length > 0 || step.startsWith('nudge') }
}
const DOSE_RANGE_G = { min: 17.4, max: 18.6 }
