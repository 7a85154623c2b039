import type { ShotPurpose } from '../skill/charging.ts'

/** Who stands at which group; several may stand at one and take turns. */
export interface Seat {
  personId: string
  machineId: string | null
  /** Place of the group in its machine, from 0. */
  groupNo: number
}

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
}

/** A setting that was found for the session. */
export interface LockedSetting {
  grinderId: string
  bagId: string | null
  recipeRevisionId: string
  setting: number
  doseG: number
  /** The recipe's basket and the inner burr as they were: another of either asks for a look. */
  basketId: string | null
  innerBurrAt: number | null
  shots: number
  grams: number
  money: number | null
}

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
  | { kind: 'break-began' }
  | { kind: 'break-ended' }
  | { kind: 'locked'; lock: LockedSetting }
  | { kind: 'unlocked'; why: RecheckReason }
  | { kind: 'ended'; left: LeftReady }

export interface TrainingEvent {
  eventId: string
  by: string
  at: string
  happening: TrainingHappening
}

export interface Lock extends LockedSetting {
  at: string
  by: string
  /** What has happened since, for which it should be looked at again. */
  recheck: readonly RecheckReason[]
}

export interface TrainingState {
  startedAt: string
  startedBy: string
  setup: TrainingSetup
  onBreakSince: string | null
  breaks: readonly { from: string; to: string }[]
  lock: Lock | null
  ended: (LeftReady & { at: string; by: string }) | null
}

/**
 * Works out how a training stands from what happened in it, in whatever order it arrived. Null before it was started.
 */
export function trainingState(events: readonly TrainingEvent[]): TrainingState | null {
  const inOrder = [...events].sort((a, b) => a.at.localeCompare(b.at) || a.eventId.localeCompare(b.eventId))
  return inOrder.reduce<TrainingState | null>(after, null)
}

function after(state: TrainingState | null, event: TrainingEvent): TrainingState | null {
  const { happening, at, by } = event
  if (happening.kind === 'started') return state ?? begun(event, happening.setup)
  if (state === null) return null
  switch (happening.kind) {
    case 'changed':
      return { ...state, setup: happening.setup, lock: rechecked(state, happening.setup) }
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
      return { ...state, onBreakSince: null, ended: { ...happening.left, at, by } }
  }
}

function begun({ at, by }: TrainingEvent, setup: TrainingSetup): TrainingState {
  return { startedAt: at, startedBy: by, setup, onBreakSince: null, breaks: [], lock: null, ended: null }
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
