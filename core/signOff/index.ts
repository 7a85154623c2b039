export { ANSWER_DAYS, REVIEW_FINDINGS, SET_ENDS, isWaiting, openParts, repeatedFrom } from './assessment.ts'
export { assessmentRefusal, assessmentState } from './assessment.ts'
export type {
  AssessmentAsker,
  AssessmentEvent,
  AssessmentHappening,
  AssessmentKind,
  AssessmentRefusal,
  AssessmentSetup,
  AssessmentStage,
  WaitingStage,
  AssessmentState,
  Outcomes,
  ReviewFinding,
  SetEnd,
} from './assessment.ts'
export { PART_RESULTS, UNJUDGED_BECAUSE, judgeSet, judgeTicks, partsOf } from './judgeSet.ts'
export type { JudgedPart, PartResult, UnjudgedBecause } from './judgeSet.ts'
export { runStanding } from './lacking.ts'
export type { Lacking, RunShot } from './lacking.ts'
export { ASSESSORS, PRESET_PROGRAMMES, PROGRAMME_PRESETS, PROGRAMME_WAYS, SIGNED_PARTS } from './programme.ts'
export type { Assessors, Programme, ProgrammePreset, ProgrammeWay, SignedPart } from './programme.ts'
export { SET_STEPS, setProgress } from './setProgress.ts'
export type { SeenInSet, SetProgress, SetShot, SetStep } from './setProgress.ts'
export { LOOK_AGAIN, signedOff } from './signedOff.ts'
export type { LookAgain, SignedOff } from './signedOff.ts'
