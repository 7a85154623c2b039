import { faultShift } from '../reading/faultTimes.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { THRESHOLDS } from '../thresholds.ts'
import type { DialInGrinder, GrindShot } from './types.ts'

/** One shot as the model sees it: how fine it was, and the ln of its time at the target yield and dose. */
export interface Observation {
  coffeeId: string
  daysAgo: number
  isThisSession: boolean
  setting: number
  /** Grows with fineness, in units of the scale; a known inner burr is counted in. */
  fineness: number
  lnTime: number
  bound: 'at-least' | 'at-most' | null
  /** What faults that were seen add to the spread of ln time. */
  extraSd: number
}

/** Fineness of a setting, in units of the scale. */
export function finenessOf(setting: number, innerBurrAt: number | null, grinder: DialInGrinder): number {
  const shift = (innerBurrAt ?? 0) * (grinder.innerBurr?.settingsPerUnit ?? 0)
  return (grinder.finerIs === 'higher' ? 1 : -1) * (setting + shift)
}

/** Fineness of a setting with the inner burr where it stands now. */
export function finenessNow(setting: number, grinder: DialInGrinder): number {
  return finenessOf(setting, grinder.innerBurr?.at ?? null, grinder)
}

/** The shots that say something of this grinder under this recipe; those at another, not comparable inner burr don't. */
export function observationsOf(
  history: readonly GrindShot[],
  recipe: Recipe,
  grinder: DialInGrinder,
): Observation[] {
  return history
    .filter((shot) => isComparable(shot, recipe, grinder))
    .flatMap((shot) => {
      const timed = timeOf(shot, recipe)
      if (timed === null) return []
      const { shift, sd } = effectOfFaults(shot)
      return [
        {
          coffeeId: shot.coffeeId,
          daysAgo: shot.daysAgo,
          isThisSession: shot.isThisSession,
          setting: shot.setting,
          fineness: finenessOf(shot.setting, shot.innerBurrAt, grinder),
          lnTime: timed.ln - shift - doseShift(shot, recipe),
          bound: timed.bound,
          extraSd: sd,
        },
      ]
    })
}

function isComparable(shot: GrindShot, recipe: Recipe, { innerBurr }: DialInGrinder): boolean {
  if (shot.readings.of.recipe.clock !== recipe.clock) return false
  if (innerBurr === null || shot.innerBurrAt === null) return true
  return innerBurr.settingsPerUnit !== null || innerBurr.at === shot.innerBurrAt
}

function timeOf({ readings }: GrindShot, recipe: Recipe): { ln: number; bound: Observation['bound'] } | null {
  const time = readings.timeAtTarget
  switch (time.kind) {
    case 'known':
      return { ln: Math.log(Math.max(time.s, 1)), bound: null }
    case 'at-least':
    case 'at-most':
      return { ln: Math.log(Math.max(time.s, 1)), bound: time.kind }
    case 'no-drop':
      return time.pumpS > recipe.firstDropMaxS
        ? { ln: Math.log((recipe.timeMaxS * time.pumpS) / recipe.firstDropMaxS), bound: 'at-least' }
        : null
    // Two bounds that lie apart say too little of a slope.
    case 'between':
    case 'unknown':
      return null
  }
}

function doseShift({ readings: { dose } }: GrindShot, recipe: Recipe): number {
  return dose.judged ? THRESHOLDS.doseLnPerG * (dose.value - recipe.doseG) : 0
}

/** A fault that was seen moves the time by about half of the most it is known to, give or take as much. */
function effectOfFaults({ readings: { gate, dose, of } }: GrindShot): { shift: number; sd: number } {
  const effects = gate.faults.map((fault) => {
    // The dose itself is corrected for; a part of that correction is a guess.
    if (fault === 'dose-low' || fault === 'dose-high') return { shift: 0, sd: DOSE_GUESS_SD }
    const { slower, faster } = faultShift(fault, dose, of.context.grindMoved)
    return { shift: (slower - faster) / 2, sd: (slower + faster) / 2 }
  })
  return {
    shift: effects.reduce((sum, { shift }) => sum + shift, 0),
    sd: Math.sqrt(effects.reduce((sum, { sd }) => sum + sd * sd, 0)),
  }
}

const DOSE_GUESS_SD = 0.05
