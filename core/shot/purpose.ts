import type { Cause } from '../diagnosis/causes.ts'

/** Why a shot was pulled. Only practice and assessment count towards skill. */
export const SHOT_PURPOSES = [
  'practice',
  'assessment',
  /** A trainer's, before and after a set, to see that the bar is right. */
  'reference',
  'dial-in',
  'demonstration',
  /** Made wrong on purpose, so that somebody learns to find it. */
  'deliberate-fault',
  /** To rinse or to warm up; nobody drinks it. */
  'sink',
  'equipment-failure',
  /** Beside another, of which one thing is different. */
  'comparison',
  /** Of earlier releases, which told no nearer what for; it is never guessed at. */
  'experiment',
] as const
export type ShotPurpose = (typeof SHOT_PURPOSES)[number]

const COUNTED: ReadonlySet<ShotPurpose> = new Set(['practice', 'assessment'])
/** Whether shots of this purpose say what whoever pulled can do. */
export function isCounted(purpose: ShotPurpose): boolean {
  return COUNTED.has(purpose)
}

const TURNS: ReadonlySet<ShotPurpose> = new Set(['practice', 'assessment', 'comparison', 'deliberate-fault'])
/** Whether a shot of this purpose is a turn at the group in a training. */
export function isTurn(purpose: ShotPurpose): boolean {
  return TURNS.has(purpose)
}

const OF_TEACHERS: ReadonlySet<ShotPurpose> = new Set(['reference', 'demonstration', 'deliberate-fault'])
/** Whether only those who teach pull for this. */
export function isOfTeachers(purpose: ShotPurpose): boolean {
  return OF_TEACHERS.has(purpose)
}

const OF_DIAL_IN: ReadonlySet<ShotPurpose> = new Set(['dial-in', 'experiment'])
/** Whether it looks for a setting; earlier releases called all such shots experiments. */
export function isOfDialIn(purpose: ShotPurpose): boolean {
  return OF_DIAL_IN.has(purpose)
}

/** Faults that can be made on purpose at the bar. */
export const FAULTS_SHOWN = [
  'grind-too-coarse',
  'grind-too-fine',
  'dose-low',
  'dose-high',
  'tamp-tilted',
  'tamp-light',
  'poor-distribution',
  'basket-wet',
  'not-purged',
  'cold',
  'stopped-early',
  'stopped-late',
] as const satisfies readonly Cause[]
export type FaultShown = (typeof FAULTS_SHOWN)[number]
