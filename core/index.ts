// Units
export { parseDecimal } from './units/parseDecimal.ts'
export type { ParsedDecimal } from './units/parseDecimal.ts'
export {
  BASE_UNITS,
  UNITS,
  asTyped,
  decimalsOf,
  differenceFromBase,
  fromBase,
  toBase,
} from './units/quantity.ts'
export type { Quantity, Unit, UnitChoice, UnitOf } from './units/quantity.ts'
// Recipe, coffee, equipment
export { CLOCKS, brewRatio } from './recipe/recipe.ts'
export type { Clock, Recipe, RecipeSchool, TasteTargets } from './recipe/recipe.ts'
export { AMOUNTS, DRINK_LENGTHS, completeAmounts, drinkLength } from './recipe/completeRecipe.ts'
export type { Amount, Amounts, DrinkLength } from './recipe/completeRecipe.ts'
export { checkRecipe } from './recipe/checkRecipe.ts'
export type { RecipeDisagreement, RecipeDraft } from './recipe/checkRecipe.ts'
export { BASKET_SIZES, DOSE_TOLERANCES_G, RECIPE_PRESETS, TAMP_SCHOOLS } from './recipe/presetKinds.ts'
export type {
  BasketSize,
  RecipeMethod,
  RecipePreset,
  RecipePresetKey,
  TampSchool,
} from './recipe/presetKinds.ts'
export { PRESET_RECIPES } from './recipe/presets.ts'
export {
  FRESHNESSES,
  FRESHNESS_PRESETS,
  FRESHNESS_WINDOWS,
  bagLife,
  coffeeAge,
  dateAfter,
  daysBetween,
} from './coffee/age.ts'
export type { BagLife, CoffeeAge, Freshness, FreshnessPreset, FreshnessWindow, Frozen } from './coffee/age.ts'
export {
  KEPT_IN,
  bagToOpen,
  costPerShot,
  gramsLeft,
  openTooLong,
  orderAdvice,
  pricePerKg,
  shotsLeft,
} from './coffee/bags.ts'
export type { BagState, KeptIn, OrderAdvice } from './coffee/bags.ts'
export { FINER_IS, VESSEL_KINDS } from './equipment/equipment.ts'
export type { GrinderScale, Vessel, VesselKind } from './equipment/equipment.ts'
export {
  MACHINE_KINDS,
  PREINFUSIONS,
  SELECTORS,
  STARTS,
  STOPS,
  TEMPERATURE_CONTROLS,
  WARM_UP_MINUTES,
  checkGroup,
  warmUpLeft,
} from './equipment/machine.ts'
export type { GroupDisagreement, GroupSetting, MachineKind, Selector } from './equipment/machine.ts'
export { DOSES_BY, settingAfterBurrMove, settingShown, settingTyped } from './equipment/grinder.ts'
export type { DosesBy, InnerBurr, PrintedScale } from './equipment/grinder.ts'
export { ROOM_PARTS, roomReadiness } from './equipment/room.ts'
export type { RoomPart, RoomState } from './equipment/room.ts'
export { filterDaysLeft, mineralsG, packets } from './equipment/water.ts'
// Routines and cautions
export {
  SAFETY_STEPS,
  OBSERVERS,
  PRESET_STEPS,
  ROUTINE_PRESETS,
  STEP_KEYS,
  STEP_TIMERS,
  TIMER_SECONDS,
  shippedStep,
} from './routine/steps.ts'
export type { Observer, RoutinePreset, RoutineStep, StepKey, StepTimer } from './routine/steps.ts'
export { ACTS, ACT_OF_CAUTION, CAUTION_KEYS } from './caution/cautions.ts'
export type { Act, CautionKey } from './caution/cautions.ts'
// One shot
export { BAR_STEPS } from './shot/barSteps.ts'
export type { BarStep } from './shot/barSteps.ts'
export { FACTS, FACT_BOUNDS } from './shot/factTable.ts'
export type { FactPart } from './shot/factTable.ts'
export { nothingOf } from './shot/factKinds.ts'
export type { FactRow, FactRows, FactsOf, LaterIn, ValueOf } from './shot/factKinds.ts'
export { TASTE_AXES, unknownFacts } from './shot/facts.ts'
export {
  ABANDONMENTS,
  DISTRIBUTIONS,
  FIRST_DROPS,
  LOW_DOSE_RULES,
  POSTURES,
  PUCKS,
  SIDES,
  STREAMS,
  TILTS,
} from './shot/seen.ts'
export type {
  ShotClock,
  ShotFacts,
  ShotMeasures,
  ShotWanted,
  ShotSample,
  TasteAxis,
  Weighing,
} from './shot/facts.ts'
export type {
  Abandonment,
  Distribution,
  FirstDrop,
  LowDoseRule,
  Posture,
  Puck,
  Served,
  Side,
  Stream,
  Tilt,
} from './shot/seen.ts'
export { noNotes } from './shot/notes.ts'
export type { MarkAt, ShapedNotes, ShotNotes } from './shot/notes.ts'
export { SIGNS_ASKED_AT, signGroupsAt, signsIn } from './shot/signEntries.ts'
export type { SignGroup } from './shot/signEntries.ts'
export { FLOW_MARKS, signsOfMarks, streamOfMarks } from './shot/marks.ts'
export type { FlowMark } from './shot/marks.ts'
export { PACKED_SERIES, packSeries, unpackSeries } from './shot/series.ts'
export {
  fillingSeen,
  firstDropSeen,
  flowNow,
  isOfStream,
  projectedFinishS,
  ranAwayS,
  settledG,
} from './shot/liveShot.ts'
export { doseTrimG, netG, rescueForgottenTare, roundG } from './shot/weighing.ts'
export type { TareRescue } from './shot/weighing.ts'
export { timeAtTarget, timeOnClock } from './shot/timeAtTarget.ts'
export type { TimeAtTarget, TimeUnknown } from './shot/timeAtTarget.ts'
// Reading
export { readShot } from './reading/readShot.ts'
export { dateInZone } from './units/calendar.ts'
export { keptFormats } from './units/keptFormats.ts'
export { isRunBefore, readOnGrinder, readRecorded } from './reading/recorded.ts'
export { inSessions } from './reading/sessions.ts'
export type { AsItStood, GrindBefore, RecordedShot } from './reading/recorded.ts'
export { FAULTS_SHOWN, SHOT_PURPOSES, isCounted, isOfDialIn, isOfTeachers, isTurn } from './shot/purpose.ts'
export type { FaultShown, ShotPurpose } from './shot/purpose.ts'
export { CHANGES, NO_CONTEXT, TONGUES, USUAL_FRESHNESS } from './reading/context.ts'
export { COUNT_METHODS, DOSE_METHODS, DOSE_SPREAD_G, isCountMethod } from './shot/doseMethod.ts'
export { MARK_PLACES } from './shot/markPlaces.ts'
export { coloursSay, colourShares } from './shot/colours.ts'
export { USUAL_EXTRACTION, extractionPercent } from './shot/extraction.ts'
export { firstDropSays, usualFirstDropS } from './shot/firstDrop.ts'
export { projectedFrom } from './shot/weightsSeen.ts'
export type { WeightSeen } from './shot/weightsSeen.ts'
export { programmeOff, usualYield } from './shot/usualYield.ts'
export type { UsualYield } from './shot/usualYield.ts'
export type { YieldBy } from './shot/yieldShare.ts'
export type { MarkPlace } from './shot/markPlaces.ts'
export {
  countWanted,
  doseEstimate,
  doseMethodOf,
  isDoseSeen,
  seenTrim,
  weighedDoseG,
} from './shot/doseSeen.ts'
export type { DoseEstimate, DoseFact, DoseSeen, SeenTrim } from './shot/doseSeen.ts'
export type { Change, GrindMoved, MachineKnown, ShotContext, Tongue } from './reading/context.ts'
export type { CountMethod, DoseMethod, MarkMethod } from './shot/doseMethod.ts'
export { SIGNS } from './shot/signs.ts'
export type { Sign, SignsSeen } from './shot/signs.ts'
export type {
  Direction,
  DoseReading,
  Flow,
  FlowState,
  Gate,
  GateFault,
  GateUnknown,
  Measured,
  MissingPart,
  NotJudged,
  Readings,
  Standing,
  TampReading,
  TasteReading,
  TimeReading,
  UnevenSign,
  YieldMeasured,
  YieldReading,
} from './reading/types.ts'
export {
  STEP_MARKS,
  allWatched,
  nextMark,
  firstOpen,
  markOf,
  noStepsSeen,
  withMarked,
} from './routine/stepMarks.ts'
export type { AllStepsSeen, MarkedStep, OwnStepSeen, StepMark, StepsSeen } from './routine/stepMarks.ts'
export { stagesOf } from './routine/stages.ts'
export type { RoutineStages } from './routine/stages.ts'
// Diagnosis
export { causesNamed, diagnose } from './diagnosis/diagnose.ts'
export { judge } from './diagnosis/statement.ts'
export { keepsAll } from './diagnosis/mend.ts'
export { flowHeadingOf, headingOf } from './diagnosis/heading.ts'
export { tasteLeaning } from './diagnosis/taste.ts'
export { mayHoldPressure, pressureCaution } from './diagnosis/pressure.ts'
export { RULES_VERSION } from './diagnosis/rulesVersion.ts'
export type { GrindBehind, GrindContext } from './diagnosis/grindMove.ts'
export { CAUSES, CAUSE_PLACES, FAULTS, PLACE_OF_FAULT, USUAL_FAULTS } from './diagnosis/causes.ts'
export type { Cause, CausePlace, Fault } from './diagnosis/causes.ts'
export { CHANNELS, FLAWS_SEEN, OPTION_SETS } from './diagnosis/evidenceTypes.ts'
export type { Channel, EvidenceKey, FlawSeen, Option, OptionSet } from './diagnosis/evidenceTypes.ts'
export { CALL_WORDS, FLOW_HEADINGS } from './diagnosis/types.ts'
export type {
  CallWord,
  CupVerdict,
  Diagnosis,
  FlowHeading,
  GrindTo,
  Heading,
  HeldLever,
  Lever,
  Move,
  Named,
  Noted,
  Observation,
  PressureCaution,
  Reason,
  Statement,
  TasteLeaning,
  Verdict,
  WeighedEvidence,
} from './diagnosis/types.ts'
// Dial-in
export { calibrateDoser, dosingSeconds, portionsAtLast, retentionG } from './dialin/calibrateDoser.ts'
export type { DoserCalibration, DoserPortion } from './dialin/calibrateDoser.ts'
export { adviseGrind } from './dialin/adviseGrind.ts'
export { isTasteLed } from './dialin/byTaste.ts'
export { grindSeen, sessionShot } from './dialin/grindShot.ts'
export type { PulledAt } from './dialin/grindShot.ts'
export type { GrindKnown } from './dialin/situation.ts'
export { DIAL_IN_REASONS, DIAL_IN_STEPS, WAYS_OUT, isDialInOver } from './dialin/types.ts'
export type {
  DialInGrinder,
  DialInReason,
  DialInStep,
  DialInWish,
  GrindAdvice,
  GrindSeen,
  SessionShot,
  WayOut,
} from './dialin/types.ts'
export { adviserFromStart } from './dialin/fromStart.ts'
export { spentOn } from './dialin/spent.ts'
export type { Spent } from './dialin/spent.ts'
export { asWanted } from './recipe/asWanted.ts'
export { grindFit } from './dialin/grindFit.ts'
export type { GrindFit } from './dialin/grindFit.ts'
export { stopLead } from './dialin/stopLead.ts'
// Skill
export * from './skill/index.ts'
// Tasting
export { tastingAgreement } from './taste/tastingAgreement.ts'
export type { AxisAgreement, DoubleTasting, TastingAgreement, TastingSlip } from './taste/tastingAgreement.ts'
export type { Kappa } from './taste/agreement.ts'
export { cupTaste, tastedBy } from './taste/cupTaste.ts'
// A training at the bar
export * from './training/index.ts'
export * from './signOff/index.ts'
// Planning, milk, drinks
export { SESSION_DEFAULTS, planSession } from './plan/planSession.ts'
export type { SessionPlan, SessionWish, Turn } from './plan/planSession.ts'
export { CAFFEINE_GUIDANCE_MG, caffeineMg } from './plan/caffeine.ts'
export type { Tasting } from './plan/caffeine.ts'
export { MILK_CHECKS, MILK_TARGET_C, TEXTURES, assessMilk, steamOffC } from './milk/assessMilk.ts'
export type { MilkCheck, MilkFacts, Texture } from './milk/assessMilk.ts'
export { drinkRatios } from './milk/drinkRatios.ts'
export type { DrinkAmounts, DrinkRecipe } from './milk/drinkRatios.ts'
// The simulated bench
export { BENCH_GRID, simulateShot } from './bench/simulateShot.ts'
export { CAREFUL_SHOT, EXAMPLE_BENCH } from './bench/types.ts'
export type { Bench, BenchSample, ShotDone, SimulatedShot } from './bench/types.ts'
// The numbers that decide
export { THRESHOLDS } from './thresholds.ts'
