export {
  ANSWER_DAYS,
  APPEAL_DAYS,
  ASSESSMENT_REFUSALS,
  ASSESSMENT_STAGES,
  REVIEW_FINDINGS,
  SET_ENDS,
} from './assessment.ts'
export { assessmentRefusal, assessmentState } from './assessment.ts'
export type {
  AssessmentAsker,
  AssessmentEvent,
  AssessmentHappening,
  AssessmentKind,
  AssessmentRefusal,
  AssessmentSetup,
  AssessmentStage,
  AssessmentState,
  Outcomes,
  ReviewFinding,
  SetEnd,
} from './assessment.ts'
export { PART_RESULTS, UNJUDGED_BECAUSE, judgeSet, judgeTicks, partsOf } from './judgeSet.ts'
export type { JudgedPart, PartResult, UnjudgedBecause } from './judgeSet.ts'
export { ladderOf, runStanding } from './lacking.ts'
export type { Lacking, RunShot, RunStanding } from './lacking.ts'
export {
  ASSESSORS,
  PRESET_PROGRAMMES,
  PROGRAMME_PRESETS,
  PROGRAMME_WAYS,
  RUN_TERMS,
  SET_TERMS,
  SIGNED_PARTS,
} from './programme.ts'
export type { Assessors, Programme, ProgrammePreset, ProgrammeWay, SignedPart } from './programme.ts'
export { SET_STEPS, isReferenceOn, setProgress } from './setProgress.ts'
export type { SeenInSet, SetProgress, SetShot, SetStep } from './setProgress.ts'
export { LOOK_AGAIN, outcomesWith, signedOff } from './signedOff.ts'
export type { LookAgain, SignedOff, StoodAssessment } from './signedOff.ts'
