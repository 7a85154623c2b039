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
  const beyond = (s: number, bound: 'at-least' | 'at-most', estimated = false): TimeReading => ({
    ...against(s),
    standing: 'off',
    bound,
    clockS: s,
    estimated,
    yieldBy: null,
  })
  switch (time.kind) {
    case 'unknown':
      return { judged: false, why: time.why }
    case 'no-drop':
      // On the other clocks nothing has begun, however long the pump ran.
      return recipe.clock !== 'pump' || time.pumpS <= recipe.timeMaxS
        ? { judged: false, why: 'stopped-before-drop' }
        : beyond(time.pumpS, 'at-least')
    case 'known':
      return {
        ...against(time.s),
        bound: null,
        clockS: time.clockS,
        estimated: time.estimated,
        yieldBy: time.yieldBy,
      }
    case 'at-least':
      return time.s < recipe.timeMaxS
        ? { judged: false, why: time.why ?? 'stopped-too-far' }
        : beyond(time.s, 'at-least')
    case 'at-most':
      return time.s > recipe.timeMinS ? { judged: false, why: 'stopped-too-far' } : beyond(time.s, 'at-most')
    case 'between':
      if (time.fromS > recipe.timeMaxS) return beyond(time.fromS, 'at-least', true)
      if (time.toS < recipe.timeMinS) return beyond(time.toS, 'at-most', true)
      return { judged: false, why: time.why }
  }
}
