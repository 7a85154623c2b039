import type { Recipe } from '../recipe/recipe.ts'
import type { TimeAtTarget } from '../shot/timeAtTarget.ts'
import { measure } from './measure.ts'
import type { TimeReading } from './types.ts'

/** Time at target against the window. A bound is judged only where it lies outside the window on its own side. */
export function readTime(time: TimeAtTarget, recipe: Recipe): TimeReading {
  const targetS = (recipe.timeMinS + recipe.timeMaxS) / 2
  const toleranceS = (recipe.timeMaxS - recipe.timeMinS) / 2
  if (recipe.school?.onlyRecorded.includes('time')) return { judged: false, why: 'only-recorded' }
  const against = (s: number) => measure(s, targetS, toleranceS)
  switch (time.kind) {
    case 'unknown':
      return { judged: false, why: time.why }
    case 'no-drop':
      // On the other clocks nothing has begun, however long the pump ran.
      if (recipe.clock !== 'pump' || time.pumpS <= recipe.timeMaxS)
        return { judged: false, why: 'stopped-before-drop' }
      return {
        ...against(time.pumpS),
        standing: 'off',
        bound: 'at-least',
        clockS: time.pumpS,
        estimated: false,
      }
    case 'known':
      return { ...against(time.s), bound: null, clockS: time.clockS, estimated: time.estimated }
    case 'at-least':
      if (time.s < recipe.timeMaxS) return { judged: false, why: 'stopped-too-far' }
      return { ...against(time.s), standing: 'off', bound: 'at-least', clockS: time.s, estimated: false }
    case 'at-most':
      if (time.s > recipe.timeMinS) return { judged: false, why: 'stopped-too-far' }
      return { ...against(time.s), standing: 'off', bound: 'at-most', clockS: time.s, estimated: false }
    case 'between':
      if (time.fromS > recipe.timeMaxS)
        return {
          ...against(time.fromS),
          standing: 'off',
          bound: 'at-least',
          clockS: time.fromS,
          estimated: true,
        }
      if (time.toS < recipe.timeMinS)
        return { ...against(time.toS), standing: 'off', bound: 'at-most', clockS: time.toS, estimated: true }
      return { judged: false, why: time.why }
  }
}
