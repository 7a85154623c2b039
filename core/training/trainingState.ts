import type { TasteTargets } from '../recipe/recipe.ts'
import type { ShotPurpose } from '../shot/purpose.ts'
import { FOCUS_ON_ALL, type Focus } from './focus.ts'
import { trainingOrder } from './trainingOrder.ts'

/** Who stands at which group; several may stand at one and take turns. */
export interface Seat {
  personId: string
  machineId: string | null
  /** Place of the group in its machine, from 0. */
  groupNo: number
  /** Left out where it pulls with what the training does. */
  with?: SeatWith
}

/** What one seat pulls with where that is not the training's: two people in two modes. */
export interface SeatWith {
  recipeRevisionId?: string
  grinderId?: string | null
  routineId?: string | null
}

/** Who sets the grind: a time that is off is charged to them. */
export const GRIND_OWNERS = ['trainer', 'trainee'] as const
export type GrindOwner = (typeof GRIND_OWNERS)[number]

/** What a training is pulled with. */
export interface TrainingSetup {
  barId: string
  purpose: Extract<ShotPurpose, 'practice' | 'assessment'>
  recipeRevisionId: string
  routineId: string | null
  grinderId: string | null
  bagId: string | null
  grindOwner: GrindOwner
  seats: Seat[]
  /** Other recipes that are pulled in it, to be changed to from shot to shot; left out where there is one alone. */
  alsoRecipeRevisionIds?: string[]
}

/** What a seat of a training pulls with: its own, else the training's. */
export function pulledAt(
  setup: TrainingSetup,
  seat: Pick<Seat, 'with'>,
): Pick<TrainingSetup, 'recipeRevisionId' | 'grinderId' | 'routineId'> {
  const { recipeRevisionId, grinderId, routineId } = setup
  return { recipeRevisionId, grinderId, routineId, ...seat.with }
}

/** The recipes that a seat can be pulled by, its own first. */
export function recipesAt(setup: TrainingSetup, seat: Pick<Seat, 'with'>): string[] {
  const own = pulledAt(setup, seat).recipeRevisionId
  return [...new Set([own, setup.recipeRevisionId, ...(setup.alsoRecipeRevisionIds ?? [])])]
}

/** A setting that was found for the session. */
export interface LockedSetting {
  grinderId: string
  bagId: string | null
  recipeRevisionId: string
  setting: number
  doseG: number
  /** Left out where it is the recipe's. */
  yieldG?: number
  /** What two trainers tasted; left out where they didn't. */
  taste?: TasteTargets
  /** The recipe's basket and the inner burr as they were: another of either asks for a look. */
  basketId: string | null
  innerBurrAt: number | null
  shots: number
  grams: number
  money: number | null
}

/** Why a locked setting should be looked at again. */
export const RECHECK_REASONS = ['break', 'bag', 'dose', 'basket', 'burr', 'age', 'other'] as const
export type RecheckReason = (typeof RECHECK_REASONS)[number]

/** How the bench was left. */
export interface LeftReady {
  rinsed: boolean
  wiped: boolean
  handleBack: boolean
}

/** What happened in a training; each is kept as it was, and the state is worked out of all of them. */
export type TrainingHappening =
  | { kind: 'started'; setup: TrainingSetup }
  | { kind: 'changed'; setup: TrainingSetup }
  | { kind: 'focused'; focus: Focus }
  | { kind: 'break-began' }
  | { kind: 'break-ended' }
  | { kind: 'locked'; lock: LockedSetting }
  | { kind: 'unlocked'; why: RecheckReason }
  | { kind: 'ended'; left: LeftReady }
  | { kind: 'reopened' }

/** Something that happened in a training, with who noted it and when by their clock. */
export interface TrainingEvent {
  eventId: string
  by: string
  at: string
  /** The newest event that whoever noted it had seen; null for none, left out where nobody asked. */
  after?: string | null
  /** Who was signed in where it was noted; left out of what was not sent yet. */
  sentBy?: string
  happening: TrainingHappening
}

/** A locked setting, who locked it, and what has happened since. */
export interface Lock extends LockedSetting {
  at: string
  by: string
  /** What has happened since, for which it should be looked at again. */
  recheck: readonly RecheckReason[]
}

/** How a training stands. */
export interface TrainingState {
  startedAt: string
  startedBy: string
  setup: TrainingSetup
  /** What it looks at just now. */
  focus: Focus
  onBreakSince: string | null
  breaks: readonly { from: string; to: string }[]
  lock: Lock | null
  /** `sentBy`: who was signed in where it was noted, where that is known. */
  ended: (LeftReady & { at: string; by: string; sentBy: string | null }) | null
}

/** A training that began longer ago is nobody's any more, even if nobody ended it. */
const ONE_DAY_MS = 86_400_000

/** Whether a training is no longer on: ended, or begun more than a day ago. */
export function isTrainingOver({ ended, startedAt }: TrainingState, now: Date): boolean {
  return ended !== null || now.getTime() - Date.parse(startedAt) > ONE_DAY_MS
}

/** Whether one that was ended can still be opened again: within the day. */
export function canReopen({ ended }: TrainingState, now: Date): boolean {
  return ended !== null && now.getTime() - Date.parse(ended.at) <= ONE_DAY_MS
}

/** Whether somebody sits in it, or did. */
export function hasSeat(events: readonly TrainingEvent[], personId: string): boolean {
  return events.some(
    ({ happening }) =>
      'setup' in happening && happening.setup.seats.some((seat) => seat.personId === personId),
  )
}

/** Whether somebody who sits in it now may dial in: whoever leads has let trainees set the grind. */
export function mayDialIn(state: TrainingState, personId: string): boolean {
  const { grindOwner, seats } = state.setup
  return state.ended === null && grindOwner === 'trainee' && seats.some((seat) => seat.personId === personId)
}

/**
 * Works out how a training stands from what happened in it, in whatever order it arrived. Null before it was started.
 */
export function trainingState(events: readonly TrainingEvent[]): TrainingState | null {
  return trainingOrder(events).reduce<TrainingState | null>(next, null)
}

function next(state: TrainingState | null, event: TrainingEvent): TrainingState | null {
  const { happening, at, by } = event
  if (happening.kind === 'started') return state ?? begun(event, happening.setup)
  if (state === null) return null
  switch (happening.kind) {
    case 'changed':
      return { ...state, setup: happening.setup, lock: rechecked(state, happening.setup) }
    case 'focused':
      return { ...state, focus: happening.focus }
    case 'break-began':
      return { ...state, onBreakSince: state.onBreakSince ?? at }
    case 'break-ended':
      return state.onBreakSince === null
        ? state
        : {
            ...state,
            onBreakSince: null,
            breaks: [...state.breaks, { from: state.onBreakSince, to: at }],
            lock: withReason(state.lock, 'break'),
          }
    case 'locked':
      return { ...state, lock: { ...happening.lock, at, by, recheck: [] } }
    case 'unlocked':
      return { ...state, lock: null }
    case 'ended':
      return {
        ...state,
        onBreakSince: null,
        ended: { ...happening.left, at, by, sentBy: event.sentBy ?? null },
      }
    case 'reopened':
      return { ...state, ended: null }
  }
}

function begun({ at, by }: TrainingEvent, setup: TrainingSetup): TrainingState {
  const focus = FOCUS_ON_ALL
  return {
    startedAt: at,
    startedBy: by,
    setup,
    focus,
    onBreakSince: null,
    breaks: [],
    lock: null,
    ended: null,
  }
}

/** Another bag on the same grinder asks for a look; another grinder or recipe has a setting of its own. */
function rechecked({ lock, setup: before }: TrainingState, setup: TrainingSetup): Lock | null {
  if (lock === null) return null
  if (setup.grinderId !== before.grinderId || setup.recipeRevisionId !== before.recipeRevisionId) return null
  return setup.bagId === before.bagId ? lock : withReason(lock, 'bag')
}

function withReason(lock: Lock | null, why: RecheckReason): Lock | null {
  if (lock === null || lock.recheck.includes(why)) return lock
  return { ...lock, recheck: [...lock.recheck, why] }
}
