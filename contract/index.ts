// Versions and shapes of answers
export { CONTRACT_HEADER, CONTRACT_VERSION } from './contractVersion.ts'
export { readAnswer } from './readAnswer.ts'
export type { Shape } from './shape.ts'

// Records
export { CLOCK_HABITS, ROLES, academy, academyChange, academyRecord, person } from './academy.ts'
export type { Academy, AcademyChange, AcademyRecord, ClockHabit, Person, Role } from './academy.ts'
export { recipeContent, recipeRevision } from './recipe.ts'
export type { RecipeContent, RecipeRevision } from './recipe.ts'
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
// Devices at the bar
export { DEVICE_FAULTS, SENSORS, deviceOrder, deviceWord, readLines, writeLines } from './deviceLine.ts'
export type { DeviceFault, DeviceOrder, DeviceWord, Sensor } from './deviceLine.ts'
// What is prepared
export {
  PARENT_KIND,
  PREPARED_CONTENT,
  PREPARED_KINDS,
  asKind,
  preparedDetail,
  preparedInput,
  preparedList,
  preparedRecord,
  asItsKind,
} from './prepared/prepared.ts'
export type {
  AnyPrepared,
  Prepared,
  PreparedChange,
  PreparedContent,
  PreparedDetail,
  PreparedInput,
  PreparedKind,
  PreparedList,
  PreparedQuery,
  PreparedRecord,
  PreparedRevision,
} from './prepared/prepared.ts'
export { ROAST_LEVELS, frozenOf } from './prepared/coffee.ts'
export type { BagContent, CoffeeContent } from './prepared/coffee.ts'
export { BENCH_STATES, SPOUTS, TOOL_KINDS, WALLS } from './prepared/bar.ts'
export type {
  BarContent,
  BasketContent,
  GrinderContent,
  MachineContent,
  ScaleContent,
  ToolContent,
  VesselContent,
  WaterContent,
} from './prepared/bar.ts'
export type { CautionContent, RoutineContent, RoutineStep } from './prepared/teaching.ts'
export { IMPORT_ORDER, ROW_OUTCOMES, fileThing, importReport, preparedFile } from './prepared/file.ts'
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
export { basketInGroup, behindNamed, pulledWith, standsNow } from './stood.ts'
export type { PulledWith, ThingThen } from './stood.ts'
// Names
export { skeletonOf } from './hiddenLetters.ts'
export { CONTENT_VERSION, upcast } from './prepared/upcast.ts'
// Bounds
export { BOUNDS, DEFAULT_PAGE_SIZE, MAX_BODY_BYTES } from './bounds.ts'
