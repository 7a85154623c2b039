// Units
export { parseDecimal } from './units/parseDecimal.ts'
export type { ParsedDecimal } from './units/parseDecimal.ts'
export { BASE_UNITS, UNITS, decimalsOf, differenceFromBase, fromBase, toBase } from './units/quantity.ts'
export type { Quantity, Unit, UnitChoice, UnitOf } from './units/quantity.ts'
// Recipe, coffee, equipment
export { CLOCKS, brewRatio } from './recipe/recipe.ts'
export type { Clock, Recipe } from './recipe/recipe.ts'
export { coffeeAge } from './coffee/age.ts'
export type { CoffeeAge, Freshness, FreshnessWindow } from './coffee/age.ts'
export { FINER_IS, VESSEL_KINDS } from './equipment/equipment.ts'
export type { GrinderScale, Vessel, VesselKind } from './equipment/equipment.ts'
// One shot
export {
  ABANDONMENTS,
  FIRST_DROPS,
  PUCKS,
  SIDES,
  STREAMS,
  TASTE_AXES,
  TILTS,
  unknownFacts,
} from './shot/facts.ts'
export type {
  Abandonment,
  FirstDrop,
  Puck,
  ShotClock,
  ShotFacts,
  Side,
  Stream,
  TasteAxis,
  Tilt,
  Weighing,
} from './shot/facts.ts'
export { doseTrimG, netG, rescueForgottenTare, roundG } from './shot/weighing.ts'
export type { TareRescue } from './shot/weighing.ts'
export { timeAtTarget, timeOnClock } from './shot/timeAtTarget.ts'
export type { TimeAtTarget, TimeUnknown } from './shot/timeAtTarget.ts'
// Reading
export { readShot } from './reading/readShot.ts'
export type {
  Direction,
  DoseReading,
  Flow,
  FlowState,
  Gate,
  GateFault,
  GateUnknown,
  Measured,
  NotJudged,
  Readings,
  Standing,
  TampReading,
  TasteReading,
  TimeReading,
  UnevenSign,
  YieldReading,
} from './reading/types.ts'
// Diagnosis
export { diagnose } from './diagnosis/diagnose.ts'
export type { GrindContext } from './diagnosis/diagnose.ts'
export type {
  Cause,
  Diagnosis,
  Lever,
  Move,
  Observation,
  Reason,
  TasteLeaning,
  Verdict,
} from './diagnosis/types.ts'
// The numbers that decide
export { THRESHOLDS } from './thresholds.ts'
