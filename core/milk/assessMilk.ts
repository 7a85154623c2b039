import type { Standing } from '../reading/types.ts'

/** How steamed milk looks. */
export const TEXTURES = ['glossy', 'bubbly', 'flat'] as const
export type Texture = (typeof TEXTURES)[number]

/** What is looked at of steamed milk, in the order of the work. */
export const MILK_CHECKS = [
  'purged-before',
  'fill-level',
  'temperature',
  'texture',
  'wiped-and-purged-after',
  'pour',
] as const
export type MilkCheck = (typeof MILK_CHECKS)[number]

/** What was seen of one jug; null is not looked at. Temperatures in °C. */
export interface MilkFacts {
  purgedBefore: boolean | null
  /** Just under where the spout begins. */
  filledRight: boolean | null
  finalTemperatureC: number | null
  texture: Texture | null
  wipedAndPurgedAfter: boolean | null
  pouredWell: boolean | null
}

/** Where hot milk should end, and the temperature it must never pass, in °C. */
export const MILK_TARGET_C = { min: 55, max: 65, never: 70 } as const
/** Milk climbs on after the steam is closed; it is closed this much below the target. */
export const MILK_CLIMB_C = 4

/** Each check of one jug; null where nobody looked. */
export function assessMilk(facts: MilkFacts): Record<MilkCheck, Standing | null> {
  return {
    'purged-before': yesOrNo(facts.purgedBefore),
    'fill-level': yesOrNo(facts.filledRight),
    temperature: temperatureStanding(facts.finalTemperatureC),
    texture: facts.texture === null ? null : facts.texture === 'glossy' ? 'on' : 'off',
    'wiped-and-purged-after': yesOrNo(facts.wipedAndPurgedAfter),
    pour: yesOrNo(facts.pouredWell),
  }
}

/** When to close the steam for a target, in °C. */
export function steamOffC(targetC: number): number {
  return targetC - MILK_CLIMB_C
}

function yesOrNo(seen: boolean | null): Standing | null {
  if (seen === null) return null
  return seen ? 'on' : 'off'
}

function temperatureStanding(celsius: number | null): Standing | null {
  if (celsius === null) return null
  if (celsius >= MILK_TARGET_C.min && celsius <= MILK_TARGET_C.max) return 'on'
  const isNear = celsius > MILK_TARGET_C.min - 5 && celsius <= MILK_TARGET_C.never
  return isNear ? 'near' : 'off'
}
