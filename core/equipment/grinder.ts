import { parseDecimal } from '../units/parseDecimal.ts'
import type { GrinderScale } from './equipment.ts'

export const DOSES_BY = ['weight', 'time', 'until-empty', 'bursts', 'chamber'] as const
/** How a grinder doses. */
export type DosesBy = (typeof DOSES_BY)[number]

/** A scale as it is printed: numbers alone, or a number and so many letters between it and the next. */
export interface PrintedScale extends GrinderScale {
  lettersPerNumber: number
}

/** A setting without what binary arithmetic adds to it. */
export function roundSetting(setting: number): number {
  return Math.round(setting * 1000) / 1000
}

/** A setting without what binary arithmetic adds to it, and no further than the ends of the scale. */
export function onScale(
  setting: number,
  { minSetting, maxSetting }: Pick<GrinderScale, 'minSetting' | 'maxSetting'>,
): number {
  return roundSetting(Math.min(maxSetting, Math.max(minSetting, setting)))
}

/** Which way settings go as they get finer: 1 up, −1 down. */
export function finerSign({ finerIs }: Pick<GrinderScale, 'finerIs'>): 1 | -1 {
  return finerIs === 'higher' ? 1 : -1
}

/** Which way a grind is moved. */
export type GrindDirection = 'finer' | 'coarser'

/** Which way settings go in a direction: 1 up, −1 down. */
export function directionSign(direction: GrindDirection, scale: Pick<GrinderScale, 'finerIs'>): 1 | -1 {
  return direction === 'finer' ? finerSign(scale) : finerSign(scale) === 1 ? -1 : 1
}

/** Whether going from one setting to another is a step or more in a direction. */
export function isStepTowards(
  direction: GrindDirection,
  from: number,
  to: number,
  scale: Pick<GrinderScale, 'finerIs' | 'settingStep'>,
): boolean {
  return directionSign(direction, scale) * (to - from) >= scale.settingStep - 1e-9
}

/**
 * A setting as the grinder shows it.
 * @example settingShown(3.25, 4) // => "3B"
 */
export function settingShown(setting: number, lettersPerNumber: number): string {
  if (lettersPerNumber < 1) return String(roundSetting(setting))
  const steps = Math.round(setting * lettersPerNumber)
  const letter = String.fromCharCode(LETTER_A + (steps % lettersPerNumber))
  return `${Math.floor(steps / lettersPerNumber)}${letter}`
}

/**
 * A setting as somebody types what the grinder shows: number and letter in either case, with or without a space; a number alone
 * is that number's first letter, or a plain number. Null where it is no setting of such a scale.
 * @example settingTyped('3b', 4) // => 3.25
 */
export function settingTyped(text: string, lettersPerNumber: number): number | null {
  const [, digits, letter = ''] = /^\s*(\d+)\s*([a-z])\s*$/i.exec(text) ?? []
  if (digits === undefined) {
    const plain = parseDecimal(text)
    return plain.ok ? plain.value : null
  }
  const index = letter.toUpperCase().charCodeAt(0) - LETTER_A
  return index < lettersPerNumber ? roundSetting(Number(digits) + index / lettersPerNumber) : null
}

const LETTER_A = 65

/** A burr position on the inner scale; moving it shifts the outer one, where it is known by how much. */
export interface InnerBurr {
  at: number
  settingsPerUnit: number | null
}

/**
 * What an earlier setting corresponds to after the inner burr was moved; null where the shift isn't known, because
 * then the two can't be compared and a new history begins.
 */
export function settingAfterBurrMove(setting: number, before: InnerBurr, after: InnerBurr): number | null {
  if (before.at === after.at) return setting
  const shift = after.settingsPerUnit
  return shift === null ? null : setting - (after.at - before.at) * shift
}
