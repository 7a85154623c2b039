export {
  OPEN_MS,
  REVIEW_FINDINGS,
  SET_ENDS,
  answerBy,
  assessmentState,
  isWaiting,
  openParts,
  repeatedFrom,
} from './assessment.ts'
export type {
  AssessmentEvent,
  AssessmentHappening,
  AssessmentKind,
  AssessmentSetup,
  AssessmentStage,
  WaitingStage,
  AssessmentState,
  Outcomes,
  ReviewFinding,
  SetEnd,
} from './assessment.ts'
export { assessmentRefusal, hasSeenFirst } from './assessmentRefusal.ts'
export type { AssessmentAsker, AssessmentRefusal } from './assessmentRefusal.ts'
export { cupCodes } from './cups.ts'
export type { CupNote } from './cups.ts'
export { SET_NOTICES, grinderMoved } from './grinderMoved.ts'
export type { SetNotice, ShotBeside } from './grinderMoved.ts'
export { PART_RESULTS, UNJUDGED_BECAUSE, judgeSet, judgeTicks, partsOf } from './judgeSet.ts'
export type { JudgedPart, PartResult, UnjudgedBecause } from './judgeSet.ts'
export { runStanding } from './lacking.ts'
export type { Lacking, RunShot } from './lacking.ts'
export {
  ASSESSORS,
  PRESET_PROGRAMMES,
  PROGRAMME_PRESETS,
  PROGRAMME_WAYS,
  SIGNED_PARTS,
  termsFor,
} from './programme.ts'
export type { Assessors, Programme, ProgrammePreset, ProgrammeWay, SignedPart } from './programme.ts'
export { SET_STEPS, setProgress } from './setProgress.ts'
export type { SeenInSet, SetProgress, SetShot, SetStep } from './setProgress.ts'
export { LOOK_AGAIN, assessmentDue, signedOff } from './signedOff.ts'
export type { AssessmentDue, LookAgain, SignedOff } from './signedOff.ts'
