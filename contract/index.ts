// Versions and shapes of answers
export { CONTRACT_HEADER, CONTRACT_VERSION } from './contractVersion.ts'
export { readAnswer } from './readAnswer.ts'
export type { Shape } from './shape.ts'

// Records
export { CLOCK_HABITS, ROLES, academy, academyChange, academyRecord, person } from './academy.ts'
export type { Academy, AcademyChange, AcademyRecord, ClockHabit, Person, Role } from './academy.ts'
export { recipeContent, recipeRevision } from './prepared/kinds/recipe.ts'
export type { RecipeContent, RecipeRevision } from './prepared/kinds/recipe.ts'
export { shotFacts } from './shotFacts.ts'
export { NOTED_VERSION, upcastNotes } from './notedUpcast.ts'
export type { StoredNotes } from './notedUpcast.ts'
export {
  SHOT_BY_ITSELF,
  askedBefore,
  correctionInput,
  shotDetail,
  shotInput,
  readableFacts,
  isBeforeInSession,
  recordedOf,
  shotList,
  shotListQuery,
  shotRevision,
  shotSeries,
  shotSummary,
} from './shot.ts'
export type {
  CorrectionInput,
  ShotDetail,
  ShotInput,
  ShotList,
  ShotListQuery,
  ShotRevision,
  ShotSeries,
  ShotSummary,
} from './shot.ts'
export { CALL_MOVES } from './causeAndMove.ts'
export { watchInput } from './watching.ts'
export type { Watch, WatchInput } from './watching.ts'
export {
  CALL_STAGES,
  SLIP_SIDES,
  VERDICTS,
  call,
  callInput,
  photoInput,
  repurposingInput,
  rulingInput,
  slip,
  slipInput,
  tasting,
} from './tasting.ts'
export type {
  Call,
  CallInput,
  Photo,
  PhotoInput,
  Repurposing,
  RepurposingInput,
  Ruling,
  RulingInput,
  Slip,
  SlipInput,
  SlipSide,
  Tasting,
} from './tasting.ts'
export {
  liveMessage,
  pastTrainings,
  stageOfGroup,
  training,
  trainingEventInput,
  trainingList,
} from './training.ts'
export type {
  GroupStage,
  LiveMessage,
  PastTrainings,
  PastTrainingsQuery,
  StageOfGroup,
  Training,
  TrainingEventInput,
} from './training.ts'
export { today } from './today.ts'
export type {
  Today,
  TodayBag,
  TodayBar,
  TodayBasket,
  TodayCoffee,
  TodayGrinder,
  TodayMachine,
  TodayPerson,
  TodayRoutine,
  TodayVessel,
} from './today.ts'
// Skill
export { callScore } from './callScore.ts'
export {
  briefOf,
  briefWithoutForecast,
  personSkill,
  skillList,
  takeHome,
  takeHomeInput,
  withoutForecast,
} from './skill.ts'
export type {
  AgreementWith,
  BesideSkill,
  BriefSkill,
  FamilySkill,
  PersonSkill,
  SkillList,
  TakeHome,
  TakeHomeInput,
} from './skill.ts'
// Assessment and sign-off
export { assessment, personSignOffs } from './signOff.ts'
export type {
  Assessment,
  AssessmentEventInput,
  AssessmentList,
  PersonSignOffs,
  SignatureInput,
} from './signOff.ts'
export { presetProgramme, programmeOf } from './prepared/kinds/programme.ts'
export type { ProgrammeContent } from './prepared/kinds/programme.ts'
// Devices at the bar
export { DEVICE_FAULTS, SENSORS, deviceOrder, deviceWord, readLines, writeLines } from './deviceLine.ts'
export type { DeviceFault, DeviceOrder, DeviceWord, Sensor } from './deviceLine.ts'
// What is prepared
export { KINDS } from './prepared/kinds/kinds.ts'
export { IMPORT_ORDER, PREPARED_KINDS, isOfRoom, kindOf } from './prepared/kinds/kindOf.ts'
export type { PreparedContent, PreparedKind, RoomKind } from './prepared/kinds/kinds.ts'
export { definedKind } from './prepared/kinds/definedKind.ts'
export type { KindDefinition, NamedThing } from './prepared/kinds/definedKind.ts'
export {
  asItsKind,
  asKind,
  begunAs,
  keeperOf,
  namedBy,
  preparedDetail,
  preparedInput,
  preparedList,
  preparedRecord,
} from './prepared/prepared.ts'
export type {
  AnyPrepared,
  Prepared,
  PreparedChange,
  PreparedDetail,
  PreparedInput,
  PreparedList,
  PreparedQuery,
  PreparedRecord,
  PreparedRevision,
} from './prepared/prepared.ts'
export { ROAST_LEVELS } from './prepared/kinds/coffee.ts'
export type { CoffeeContent } from './prepared/kinds/coffee.ts'
export { frozenOf } from './prepared/kinds/bag.ts'
export type { BagContent } from './prepared/kinds/bag.ts'
export { BENCH_STATES } from './prepared/kinds/bar.ts'
export type { BarContent } from './prepared/kinds/bar.ts'
export type { MachineContent } from './prepared/kinds/machine.ts'
export type { GrinderContent } from './prepared/kinds/grinder.ts'
export { WALLS } from './prepared/kinds/basket.ts'
export type { BasketContent } from './prepared/kinds/basket.ts'
export { SPOUTS } from './prepared/kinds/vessel.ts'
export type { VesselContent } from './prepared/kinds/vessel.ts'
export { TOOL_KINDS } from './prepared/kinds/tool.ts'
export type { ToolContent } from './prepared/kinds/tool.ts'
export type { ScaleContent } from './prepared/kinds/scale.ts'
export type { WaterContent } from './prepared/kinds/water.ts'
export type { CautionContent } from './prepared/kinds/caution.ts'
export type { RoutineContent, RoutineStep } from './prepared/kinds/routine.ts'
export { ROW_OUTCOMES, fileThing, importReport, preparedFile } from './prepared/file.ts'
export type { FileThing, ImportInput, ImportReport, PreparedFile, RowReport } from './prepared/file.ts'
export { grindHistory } from './prepared/grindHistory.ts'
export type { GrindHistoryQuery, GrindSeenOn } from './prepared/grindHistory.ts'
export { coffeeUse, workedSettings } from './prepared/use.ts'
export type { BagUse, CoffeePace, CoffeeUse, WorkedSetting, WorkedSettings } from './prepared/use.ts'
export { academyFile } from './academyFile.ts'
export type { AcademyFile } from './academyFile.ts'
// People and doors
export { ACCESS, mayDo, reachOf, teaches } from './access.ts'
export type { Action, Part, Whose } from './access.ts'
export {
  INVITATION_KINDS,
  SESSION_KINDS,
  doors,
  invitationShown,
  ownSessions,
  password,
  pin,
  sessionState,
  signInName,
} from './doors.ts'
export type { DevicePerson, Doors, InvitationShown, OwnSession, SessionState, SetUpInput } from './doors.ts'
export { PERSON_STATES, erasurePreview, peopleList, personExport, personRecord } from './people.ts'
export type {
  ErasurePreview,
  Invitation,
  PersonChange,
  PersonExport,
  PersonInput,
  PersonRecord,
} from './people.ts'
export { AUDIT_KINDS, auditList } from './audit.ts'
export type { AuditEntry, AuditKind, AuditList, AuditQuery } from './audit.ts'
export { setAsideList, setAsideRecord } from './setAside.ts'
export type { SetAsideRecord } from './setAside.ts'
// The wire
export { API_BASE, problemsOf } from './endpoints/endpoint.ts'
export type { Endpoint, Schema } from './endpoints/endpoint.ts'
export { LIVE_PATH } from './endpoints/trainings.ts'
export { LIVE_LINE_PATH, liveNews } from './live.ts'
export type { LiveNews } from './live.ts'
export { ENDPOINTS } from './endpoints/index.ts'
export type { Endpoints } from './endpoints/index.ts'
export {
  PROBLEM_CODES,
  PROBLEM_MEDIA_TYPE,
  PROBLEM_STATUS,
  fieldErrors,
  problem,
  readProblem,
} from './problem.ts'
export type { FieldError, Problem, ProblemCode } from './problem.ts'
export { id, instant, name, timeZone } from './primitives.ts'
// Claims
export { CLAIM_KINDS, claim, claimList } from './claims.ts'
export type { Claim, ClaimKind } from './claims.ts'
// What shots are pulled with
export { basketInGroup, machineKnown, pulledWith, standsNow } from './stood.ts'
export type { PulledWith, ThingThen } from './stood.ts'
// Names
export { skeletonOf } from './hiddenLetters.ts'
export { contentVersion, upcast } from './prepared/upcast.ts'
// Bounds
export { BOUNDS, DEFAULT_PAGE_SIZE, MAX_BODY_BYTES } from './bounds.ts'
