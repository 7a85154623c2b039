import { type DialInGrinder, type GrindShot, adviseGrind } from '@calm-apron/core'
import { RECIPE } from '../recipe.ts'

/** What to pull next: where the grinder stands and how much goes in. */
export interface Wanted {
  setting: number
  doseG: number
}

/** A way of dialling in: this session's shots, and what came before it, to the next one; or to the end. */
export type Strategy = (
  session: readonly GrindShot[],
  earlier: readonly GrindShot[],
  grinder: DialInGrinder,
  startSetting: number,
) => Wanted | 'done'
/** What hands do until the window is hit. */
type Search = (...given: Parameters<Strategy>) => Wanted

/** −1: ran fast, wants finer. 1: ran slow, wants coarser. */
function sideOf({ readings: { flow } }: GrindShot): -1 | 0 | 1 {
  if (flow.state === 'fast' || flow.state === 'gushing') return -1
  return flow.state === 'slow' || flow.state === 'choking' ? 1 : 0
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

function begin(startSetting: number, earlier: readonly GrindShot[]): Wanted {
  const worked = earlier.filter((shot) => sideOf(shot) === 0).at(-1)
  return { setting: worked?.setting ?? startSetting, doseG: RECIPE.doseG }
}

/** Where two neighbouring settings lie on either side of the window, anyone tries the faster with more in it. */
function betweenSteps(session: readonly GrindShot[], grinder: DialInGrinder): Wanted | null {
  const fineness = (shot: GrindShot) => finerSign(grinder) * shot.setting
  const fast = session.filter((shot) => sideOf(shot) < 0).sort((a, b) => fineness(b) - fineness(a))[0]
  const slow = session.filter((shot) => sideOf(shot) > 0).sort((a, b) => fineness(a) - fineness(b))[0]
  if (!fast || !slow) return null
  if (Math.abs(fast.setting - slow.setting) > grinder.settingStep * 1.01) return null
  const tried = session.filter((shot) => shot.setting === fast.setting && shot.doseWantedG !== null)
  const last = tried.at(-1)
  if (last === undefined) return { setting: fast.setting, doseG: RECIPE.doseG + 0.2 }
  const doseG = (last.doseWantedG ?? RECIPE.doseG) - 0.1 * sideOf(last)
  return { setting: fast.setting, doseG: Math.round(10 * doseG) / 10 }
}

function stepwise(sizeOf: (session: readonly GrindShot[]) => number): Search {
  return (session, earlier, grinder, startSetting) => {
    const last = session.at(-1)
    if (last === undefined) return begin(startSetting, earlier)
    const between = betweenSteps(session, grinder)
    if (between) return between
    const by = -sideOf(last) * finerSign(grinder) * sizeOf(session) * handStep(grinder)
    return { setting: onScale(last.setting + by, grinder), doseG: RECIPE.doseG }
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
    return isConfirmed ? 'done' : { setting: last.setting, doseG: last.doseWantedG ?? RECIPE.doseG }
  }
}

function hasCrossed(session: readonly GrindShot[]): boolean {
  const sides = session.map(sideOf).filter((side) => side !== 0)
  return sides.some((side) => side !== sides[0])
}

/** Two steps towards the window; one, once it has been crossed. */
const searchByTwo = stepwise((session) => (hasCrossed(session) ? 1 : 2))
export const twoSteps = confirming(searchByTwo)
/** Three steps until the window is crossed, then one at a time. */
export const threeThenOne = confirming(stepwise((session) => (hasCrossed(session) ? 1 : 3)))

/** Doubles its step until the window is bracketed, then halves the bracket. */
export const bracketAndBisect = confirming((session, earlier, grinder, startSetting) => {
  const last = session.at(-1)
  if (last === undefined) return begin(startSetting, earlier)
  const between = betweenSteps(session, grinder)
  if (between) return between
  const sign = finerSign(grinder)
  const fast = session.filter((shot) => sideOf(shot) < 0).map(({ setting }) => sign * setting)
  const slow = session.filter((shot) => sideOf(shot) > 0).map(({ setting }) => sign * setting)
  if (fast.length > 0 && slow.length > 0) {
    const middle = (Math.max(...fast) + Math.min(...slow)) / 2
    return { setting: onScale(sign * middle, grinder), doseG: RECIPE.doseG }
  }
  const by = -sideOf(last) * sign * handStep(grinder) * 2 ** session.length
  return { setting: onScale(last.setting + by, grinder), doseG: RECIPE.doseG }
})

/** A straight line through ln(time) against setting, of this session or else of all there is. */
export const leastSquares = confirming((session, earlier, grinder, startSetting) => {
  const last = session.at(-1)
  if (last === undefined) return begin(startSetting, earlier)
  const between = betweenSteps(session, grinder)
  if (between) return between
  const points = [...earlier, ...session].flatMap(({ setting, readings: { timeAtTarget } }) =>
    timeAtTarget.kind === 'known' ? [{ x: setting, y: Math.log(timeAtTarget.s) }] : [],
  )
  const line = fitted(points)
  if (line === null || line.slope * finerSign(grinder) <= 0) {
    return searchByTwo(session, earlier, grinder, startSetting)
  }
  const target = (Math.log(RECIPE.timeMinS) + Math.log(RECIPE.timeMaxS)) / 2
  const setting = onScale(line.x + (target - line.y) / line.slope, grinder)
  // Having missed where the line points, standing still would be no strategy.
  return setting === last.setting
    ? stepwise(() => 1)(session, earlier, grinder, startSetting)
    : { setting, doseG: RECIPE.doseG }
})

function fitted(points: readonly { x: number; y: number }[]): { x: number; y: number; slope: number } | null {
  if (points.length < 2) return null
  const mean = (of: 'x' | 'y') => points.reduce((sum, point) => sum + point[of], 0) / points.length
  const [x, y] = [mean('x'), mean('y')]
  const xx = points.reduce((sum, point) => sum + (point.x - x) ** 2, 0)
  const xy = points.reduce((sum, point) => sum + (point.x - x) * (point.y - y), 0)
  return xx < 1e-9 ? null : { x, y, slope: xy / xx }
}

/** The adviser of the core. */
export const adviser: Strategy = (session, earlier, grinder, startSetting) => {
  if (session.length === 0 && earlier.length === 0) return { setting: startSetting, doseG: RECIPE.doseG }
  const { step, setting, doseG } = adviseGrind([...earlier, ...session], RECIPE, grinder, {
    coffeeId: 'tern',
    doseRangeG: { min: 17, max: 19 },
    pricePerKg: null,
  })
  return step === 'done' ? 'done' : { setting, doseG: Math.round(10 * doseG) / 10 }
}
