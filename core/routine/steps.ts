/** The steps of one shot that every house knows, in the usual order. Their words stand in the message catalogue. */
export const STEP_KEYS = [
  'warm-up',
  'take-out',
  'wipe-basket',
  'flush',
  'tare',
  'weigh-beans',
  'purge',
  'grind',
  'weigh-dose',
  'fill-level',
  'distribute',
  'needle',
  'tamp',
  'wipe-rim',
  'lock-in',
  'cup-under',
  'hold-preinfusion',
  'raise-lever',
  'start',
  'watch',
  'stop',
  'machine-stops',
  'look',
  'taste',
  'knock-out',
  'rinse',
  'wash-hands',
  'bench-ready',
  'discard-first',
  'warm-cup',
  'doser-pulls',
  'fill-to-line',
  'half-press',
  'dry-tamper',
  'own-coffee',
  'puck-screen',
  'spouts-close',
] as const
export type StepKey = (typeof STEP_KEYS)[number]

/** Steps left out, or done wrong, by which someone could be hurt. */
export const SAFETY_STEPS: readonly StepKey[] = ['flush', 'lock-in', 'raise-lever', 'knock-out', 'rinse']

/** What a step can be timed by. */
export const STEP_TIMERS = ['none', 'flush', 'until-smooth', 'warm-up', 'lock-to-start'] as const
export type StepTimer = (typeof STEP_TIMERS)[number]

/** What is timed, and the seconds it takes where nothing else is said: a flush 2 s, from locked in to started within 10 s. */
export const TIMER_SECONDS: Record<StepTimer, number | null> = {
  none: null,
  flush: 2,
  // As long as it steams.
  'until-smooth': null,
  // The machine says for itself how long.
  'warm-up': null,
  'lock-to-start': 10,
}

/** The timer that is due at a step by itself. */
export const TIMER_OF_STEP: Partial<Record<StepKey, StepTimer>> = {
  'warm-up': 'warm-up',
  flush: 'flush',
  'lock-in': 'lock-to-start',
}

/** What the short view leaves out: steps that whoever has pulled a few shots needs no word for. */
export const FULL_VIEW_ONLY: readonly StepKey[] = [
  'warm-up',
  'take-out',
  'tare',
  'cup-under',
  'watch',
  'wash-hands',
  'dry-tamper',
  'own-coffee',
]

export const OBSERVERS = ['trainer', 'self'] as const
/** Who says that a step was done. */
export type Observer = (typeof OBSERVERS)[number]

/** Routines that ship, by how a house works. */
export const ROUTINE_PRESETS = [
  'by-weight',
  'single-dosing',
  'no-scale',
  'assisted',
  'hybrid',
  'lever',
  'two-group',
  'basket-line',
  'taste-led',
] as const
export type RoutinePreset = (typeof ROUTINE_PRESETS)[number]

const READY: StepKey[] = ['warm-up', 'take-out', 'wipe-basket']
const PRESS: StepKey[] = ['tamp', 'wipe-rim']
const POUR: StepKey[] = ['start', 'watch', 'stop']
const END: StepKey[] = ['look', 'taste', 'knock-out', 'rinse']

/** How houses differ: each preset is a list of the known steps. */
export const PRESET_STEPS: Record<RoutinePreset, readonly StepKey[]> = {
  'by-weight': [
    ...READY,
    'flush',
    'tare',
    'purge',
    'grind',
    'weigh-dose',
    'distribute',
    ...PRESS,
    'lock-in',
    'cup-under',
    ...POUR,
    ...END,
  ],
  'single-dosing': [
    ...READY,
    'weigh-beans',
    'grind',
    'weigh-dose',
    'needle',
    ...PRESS,
    'puck-screen',
    'flush',
    'lock-in',
    'cup-under',
    ...POUR,
    ...END,
  ],
  'no-scale': [
    ...READY,
    'flush',
    'purge',
    'grind',
    'fill-level',
    ...PRESS,
    'lock-in',
    'cup-under',
    ...POUR,
    ...END,
  ],
  assisted: [
    'warm-up',
    'wipe-basket',
    'grind',
    'tamp',
    'lock-in',
    'cup-under',
    'start',
    'machine-stops',
    ...END,
  ],
  hybrid: [
    ...READY,
    'flush',
    'tare',
    'grind',
    'weigh-dose',
    'half-press',
    'needle',
    ...PRESS,
    'lock-in',
    'cup-under',
    'hold-preinfusion',
    ...POUR,
    ...END,
  ],
  lever: [
    ...READY,
    'flush',
    'tare',
    'grind',
    'weigh-dose',
    'distribute',
    ...PRESS,
    'lock-in',
    'cup-under',
    'hold-preinfusion',
    'raise-lever',
    'watch',
    'stop',
    ...END,
  ],
  'two-group': [
    'bench-ready',
    ...READY,
    'discard-first',
    'grind',
    'doser-pulls',
    'distribute',
    'dry-tamper',
    ...PRESS,
    'flush',
    'lock-in',
    'start',
    'cup-under',
    'watch',
    'machine-stops',
    ...END,
  ],
  'basket-line': [
    'wash-hands',
    ...READY,
    'warm-cup',
    'flush',
    'purge',
    'grind',
    'fill-to-line',
    ...PRESS,
    'lock-in',
    'cup-under',
    'spouts-close',
    ...POUR,
    ...END,
  ],
  'taste-led': [
    ...READY,
    'tare',
    'grind',
    'weigh-dose',
    'distribute',
    'own-coffee',
    ...PRESS,
    'flush',
    'lock-in',
    'cup-under',
    ...POUR,
    'taste',
    'look',
    'knock-out',
    'rinse',
  ],
}

/** One step of a routine. Texts that are empty are the catalogue's for `key`; a step without a key has its own. */
export interface RoutineStep {
  key: StepKey | null
  what: string
  reason: string
  mistake: string
  caution: string
  isSafety: boolean
  observedBy: Observer
  timer: StepTimer
  timerS: number | null
  isInShortView: boolean
}

/** A known step as it ships, or an empty one of a house's own. */
export function shippedStep(key: StepKey | null): RoutineStep {
  const timer = (key === null ? undefined : TIMER_OF_STEP[key]) ?? 'none'
  return {
    key,
    what: '',
    reason: '',
    mistake: '',
    caution: '',
    isSafety: key !== null && SAFETY_STEPS.includes(key),
    observedBy: 'trainer',
    timer,
    timerS: TIMER_SECONDS[timer],
    isInShortView: key === null || !FULL_VIEW_ONLY.includes(key),
  }
}
