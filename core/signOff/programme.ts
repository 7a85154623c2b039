import type { MachineKind } from '../equipment/machine.ts'
import { READING_KINDS, SKILLS, type Skill } from '../skill/types.ts'
import type { GrindOwner } from '../training/trainingState.ts'

/** How it is shown: by things ticked off, by a set, or by finding a setting. */
export const PROGRAMME_WAYS = ['ticks', 'set', 'dial-in'] as const
/** The same, one of them. */
export type ProgrammeWay = (typeof PROGRAMME_WAYS)[number]

/** What may stand on a sign-off by itself: the skills, keeping everybody safe, finding a setting, what was ticked off. */
export const SIGNED_PARTS = [...SKILLS, 'safety', 'dial-in', 'ticks'] as const
/** The same, one of them. */
export type SignedPart = (typeof SIGNED_PARTS)[number]

/** Who may assess. Where only one person teaches they assess whomever they trained, and the record says so. */
export const ASSESSORS = ['whoever-teaches', 'not-their-trainer'] as const
/** The same, one of them. */
export type Assessors = (typeof ASSESSORS)[number]

/** What has to lie behind somebody before a set. */
export interface RunTerms {
  /** Shots without help, on so many days, with so many bags. */
  shots: number
  days: number
  bags: number
  /** Lower end of the 90 % interval of P(on) in each reading. */
  readyFrom: number
  /** Mean score of calls, 0–1. */
  callScoreFrom: number
}

/** What a set is made of. */
export interface SetTerms {
  shots: number
  /** So many of them on, and none off, in each part. */
  onShots: number
  /** Uncounted shots before it: to find the setting, or to get used to the group. */
  uncounted: number
  /** Whether the house serves with a stop cue, and keeps it in a set; then the record says so. */
  keepsCue: boolean
  /** False where bar and coffee are looked at afterwards only if a shot did not run on time. */
  isReferencedAfter?: false
}

/** What somebody must show before they work by themselves; kept by its revision with each sign-off. */
export interface Programme {
  way: ProgrammeWay
  /** What is ticked off, in the house's words; empty where it is shown otherwise. */
  ticks: readonly string[]
  /** The judged parts, in the order of the work. */
  skills: readonly Skill[]
  /** By which recipes, and on which kinds of machine; none named: any. */
  recipeIds: readonly string[]
  machineKinds: readonly MachineKind[]
  grindOwner: GrindOwner
  run: RunTerms
  set: SetTerms
  assessors: Assessors
  /** How long it holds: months, or weeks away from the bar, until it is looked at again. */
  holds: { months: number; awayWeeks: number }
  /** Programmes that come first. */
  buildsOn: readonly string[]
}

/** Calibrated by simulation: `npm run evaluate signoff` prints whom they let through and whom they hold back. */
export const RUN_TERMS: RunTerms = { shots: 20, days: 3, bags: 2, readyFrom: 0.72, callScoreFrom: 0.7 }
/** Five in a row: on in four, off in none. */
export const SET_TERMS: SetTerms = { shots: 5, onShots: 4, uncounted: 6, keepsCue: false }

/** Two shots to look at a sign-off again: on in one at least, off in none; of two calls one may be wrong. */
const LOOK_TERMS = { shots: 2, onShots: 1, isReferencedAfter: false } as const
const LOOK_CALLS_FROM = 0.5

/** A programme by which a set is judged, or the two shots by which it is looked at again. */
export function termsFor<P extends Pick<Programme, 'set' | 'run'>>(
  programme: P,
  { isLook = false }: { isLook?: boolean },
): P {
  if (!isLook) return programme
  const { run, set } = programme
  const callScoreFrom = Math.min(run.callScoreFrom, LOOK_CALLS_FROM)
  return { ...programme, run: { ...run, callScoreFrom }, set: { ...set, ...LOOK_TERMS } }
}

/** The programmes that ship. */
export const PROGRAMME_PRESETS = ['first-week', 'espresso-at-the-bar', 'dial-in'] as const
/** The same, one of them. */
export type ProgrammePreset = (typeof PROGRAMME_PRESETS)[number]

const ANYWHERE = { recipeIds: [], machineKinds: [], buildsOn: [] } as const
const HALF_A_YEAR = { months: 6, awayWeeks: 8 }

/** What each begins with; its ticks are words, and stand where those do. */
export const PRESET_PROGRAMMES: Record<ProgrammePreset, Omit<Programme, 'ticks'>> = {
  'first-week': {
    ...ANYWHERE,
    way: 'ticks',
    skills: [],
    grindOwner: 'trainer',
    run: { ...RUN_TERMS, shots: 0, days: 0, bags: 0 },
    set: SET_TERMS,
    assessors: 'whoever-teaches',
    holds: HALF_A_YEAR,
  },
  'espresso-at-the-bar': {
    ...ANYWHERE,
    way: 'set',
    skills: ['prep', ...READING_KINDS, 'call'],
    grindOwner: 'trainee',
    run: RUN_TERMS,
    set: SET_TERMS,
    assessors: 'not-their-trainer',
    holds: HALF_A_YEAR,
  },
  'dial-in': {
    ...ANYWHERE,
    way: 'dial-in',
    skills: ['dose', 'yield', 'time'],
    grindOwner: 'trainee',
    run: RUN_TERMS,
    set: { ...SET_TERMS, shots: 2, onShots: 2 },
    assessors: 'not-their-trainer',
    holds: HALF_A_YEAR,
  },
}
