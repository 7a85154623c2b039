// Trainings: what happened in them, what they look at, whose turn it is, and when the tool helps.
export {
  FOCUS_FOR,
  FOCUS_NAMES,
  FOCUS_ON_ALL,
  FOCUS_PARTS,
  areFactsAsked,
  focusNamed,
  isLookedAt,
  isOfHandsOnly,
  isSameFocus,
  isStepAsked,
  nameOfFocus,
  wordsAsked,
} from './focus.ts'
export type { Focus, FocusName, FocusPart, WordsAsked } from './focus.ts'
export { isHelpDue } from './help.ts'
export type { HelpedBefore } from './help.ts'
export { departures, locksHeld } from './locks.ts'
export type { LockHeld, PulledAt } from './locks.ts'
export { nextSeat } from './nextSeat.ts'
export { seatedToo, turnsAt } from './turns.ts'
export type { Turns } from './turns.ts'
export {
  GRIND_OWNERS,
  RECHECK_REASONS,
  canReopen,
  hasSeat,
  isTrainingOver,
  mayDialIn,
  pulledAt,
  recipesAt,
  trainingState,
} from './trainingState.ts'
export { trainingOrder } from './trainingOrder.ts'
export type {
  GrindOwner,
  LeftReady,
  Lock,
  LockedSetting,
  RecheckReason,
  Seat,
  SeatWith,
  TrainingEvent,
  TrainingHappening,
  TrainingSetup,
  TrainingState,
} from './trainingState.ts'
