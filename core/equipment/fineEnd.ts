import type { GrinderScale } from './equipment.ts'
import { roundSetting } from './grinder.ts'

/**
 * Where nobody has entered where the burrs touch, advice keeps away from the fine end of the scale by this share of it
 * and at least so many steps: most scales end finer than their burrs can go, and no home method of finding the point is
 * safe to publish.
 */
export const FINE_END_MARGIN = { shareOfScale: 0.05, leastSteps: 2 } as const

/**
 * The finest setting that may be advised: at least a step clear of where the burrs touch, or short of the fine end by
 * the margin where that is unknown. A margin never forbids a setting at which this grinder has run; the touching point
 * always does.
 * @param ranAt settings at which this grinder ran, with its inner burr where it is now
 * @example finestAdvised({ minSetting: 0, maxSetting: 40, settingStep: 1, finerIs: 'lower', touchingAt: 2 }, []) // => 3
 */
export function finestAdvised(scale: GrinderScale, ranAt: readonly number[]): number {
  const { minSetting, maxSetting, settingStep, finerIs, touchingAt } = scale
  const isLower = finerIs === 'lower'
  const steps = (setting: number) => (isLower ? setting - minSetting : maxSetting - setting) / settingStep
  const lengthSteps = (maxSetting - minSetting) / settingStep
  const { shareOfScale, leastSteps } = FINE_END_MARGIN
  const margin =
    touchingAt === null ? Math.max(leastSteps, shareOfScale * lengthSteps) : steps(touchingAt) + 1
  const run = ranAt.filter((setting) => isClearOfTouching(setting, scale)).map(steps)
  const finest = Math.min(lengthSteps, Math.max(0, Math.min(onMark(margin), ...run)))
  return roundSetting(isLower ? minSetting + finest * settingStep : maxSetting - finest * settingStep)
}

/** The next mark of the scale on the coarse side; a ten-thousandth of a step is arithmetic. */
function onMark(steps: number): number {
  return Math.ceil(steps - 1e-4)
}

/** Whether a setting lies on the coarse side of the point at which the burrs touch. */
export function isClearOfTouching(setting: number, { touchingAt, finerIs }: GrinderScale): boolean {
  if (touchingAt === null) return true
  return finerIs === 'lower' ? setting > touchingAt : setting < touchingAt
}

/** The scale cut off where advice ends on its fine side. */
export function scaleToAdvise<G extends GrinderScale>(grinder: G, ranAt: readonly number[]): G {
  const finest = finestAdvised(grinder, ranAt)
  return grinder.finerIs === 'lower'
    ? { ...grinder, minSetting: Math.min(finest, grinder.maxSetting) }
    : { ...grinder, maxSetting: Math.max(finest, grinder.minSetting) }
}
