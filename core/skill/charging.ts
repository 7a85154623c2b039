import type { Readings } from '../reading/types.ts'
import { type ShotPurpose, isCounted } from '../shot/purpose.ts'
import type { Account, JudgedReading, ReadingKind } from './types.ts'

/** What decides whose a reading is. */
export interface ChargeContext {
  purpose: ShotPurpose
  /** Not pulled for real; left out where all are. */
  isSimulated?: boolean
  /** Who set the grind that this shot was pulled with. */
  grindOwner: 'trainer' | 'trainee'
  /** In an assessment: a trainer's reference shot before or after was off its time or taste. */
  isReferenceOff: boolean
}

/** What charging looks at. */
export type Chargeable = Pick<Readings, ReadingKind | 'gate'>

/**
 * Charges each reading of a shot fairly. Where the trainer set the grind and the gate passed, the time is the bar's,
 * hit or miss, and with a time that is off goes the taste that follows from it; counting only hits would flatter.
 */
export function chargeReadings(readings: Chargeable, context: ChargeContext): Record<ReadingKind, Account> {
  const counts = isCounted(context.purpose) && !context.isSimulated
  const isBarsTime = context.grindOwner === 'trainer' && readings.gate.passed
  const isTimeOff = readings.time.judged && readings.time.standing !== 'on'
  const account = (kind: ReadingKind): Account => {
    if (!counts || !readings[kind].judged) return 'nobody'
    if (kind !== 'time' && kind !== 'taste') return 'trainee'
    if (context.isReferenceOff) return 'nobody'
    return isBarsTime && (kind === 'time' || isTimeOff) ? 'bar' : 'trainee'
  }
  return {
    dose: account('dose'),
    tamp: account('tamp'),
    yield: account('yield'),
    time: account('time'),
    taste: account('taste'),
  }
}

/** A reading as skill counts it, or null where it is not the trainee's. */
export function countedReading(
  kind: ReadingKind,
  readings: Readings,
  context: ChargeContext,
): JudgedReading | null {
  const reading = readings[kind]
  if (!reading.judged || chargeReadings(readings, context)[kind] !== 'trainee') return null
  // A bound says which side it missed, not by how much.
  const isMeasured = 'deviation' in reading && !('bound' in reading && reading.bound !== null)
  return { standing: reading.standing, deviation: isMeasured ? reading.deviation : null }
}
