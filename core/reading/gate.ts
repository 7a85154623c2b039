import type { ShotFacts } from '../shot/facts.ts'
import { THRESHOLDS } from '../thresholds.ts'
import { type ShotContext } from './context.ts'
import { ranSlow } from './flow.ts'
import { faultShift } from './faultTimes.ts'
import type { DoseReading, Flow, Gate, GateFault, GateUnknown } from './types.ts'

/** Is this shot evidence about the grind? A fault seen says no; a thing not looked at is named, not assumed. */
export function gateOf(facts: ShotFacts, dose: DoseReading, { warmUp, isRecipesBasket }: ShotContext): Gate {
  const doseOut = isDoseOut(dose) && dose.judged ? dose.direction : null
  const { tilt, settled } = facts.tamp
  // Who touched it knows better than the clock on the wall.
  const { noted } = facts
  const bedEven = isBedEven(facts)
  // Whoever looked at basket and button knows better than what was set up.
  const rightBasket = facts.rightBasket ?? (isRecipesBasket === false ? false : null)
  const isHot = isGroupHot(facts) ?? (warmUp === null ? null : warmUp.minutesOn >= warmUp.minutesNeeded)
  const present: Record<GateFault, boolean> = {
    'machine-cold': isHot === false,
    'basket-wet': facts.basketDry === false,
    'basket-dirty': facts.basketClean === false,
    'wrong-basket': rightBasket === false,
    'grinder-not-purged': facts.grinderPurged === false,
    'dose-low': doseOut === 'under',
    'dose-high': doseOut === 'over',
    'dose-topped-up': noted?.lowDose === 'top-up',
    'bed-uneven': bedEven === false,
    'tamp-tilted': tilt === 'clear',
    'tamp-slightly-tilted': tilt === 'slight',
    'tamp-unsettled': settled === false,
  }
  const unknown: Record<GateUnknown, boolean> = {
    machine: isHot === null,
    basket: facts.basketDry === null,
    'basket-size': rightBasket === null,
    purge: facts.grinderPurged === null,
    // What was spilt after the scale is not in the basket.
    dose: !dose.judged || noted?.spilt === true,
    bed: bedEven === null,
    tamp: tilt === null,
  }
  const faults = trueKeys(present)
  const done: Record<GateUnknown, boolean> = {
    machine: isHot === true,
    basket: facts.basketDry === true,
    'basket-size': rightBasket === true,
    purge: facts.grinderPurged === true,
    dose: dose.judged && dose.standing === 'on' && noted?.spilt !== true,
    bed: bedEven === true,
    tamp: tilt === 'level' && settled !== false,
  }
  return {
    passed: faults.length === 0,
    faults,
    unknowns: trueKeys(unknown),
    done: trueKeys(done),
  }
}

/** As whoever touched it says, else as its water was measured. */
export function isGroupHot({ machineHot, noted }: ShotFacts): boolean | null {
  const waterC = noted?.waterC ?? null
  return machineHot ?? (waterC === null ? null : waterC >= THRESHOLDS.waterC.min)
}

/** Clumps are an uneven bed, whatever was said of the rest; a tool's whole outline on it is an even one, where nobody said. */
export function isBedEven({ bedEven, noted }: ShotFacts): boolean | null {
  return noted?.clumps === true ? false : (bedEven ?? noted?.toolOutline ?? null)
}

/** A dose that was measured by eye is no fault within what an eye errs by; one that was seen off its mark is. */
function isDoseOut(dose: DoseReading): boolean {
  if (!dose.judged || dose.standing === 'on') return false
  if (dose.seen !== null) return true
  return dose.sdG <= dose.tolerance || Math.abs(dose.deviation) > THRESHOLDS.doseFaultSpreads * dose.sdG
}

function trueKeys<K extends string>(flags: Record<K, boolean>): K[] {
  // The record's keys are exactly K; Object.keys only knows them as strings.
  return (Object.keys(flags) as K[]).filter((key) => flags[key])
}

/**
 * Whether the miss is so large that the faults found can't explain half of it: then its direction stands, and the
 * grind moves although the gate failed. A little off never does; a choke always does.
 */
export function missOutweighsFaults(
  flow: Flow,
  gate: Gate,
  dose: DoseReading,
  moved: ShotContext['grindMoved'] = null,
): boolean {
  if (flow.missLn < THRESHOLDS.littleOffLn) return false
  const isSlow = ranSlow(flow)
  const explainedLn = gate.faults
    .map((fault) => faultShift(fault, dose, moved)[isSlow ? 'slower' : 'faster'])
    .reduce((sum, ln) => sum + ln, 0)
  return explainedLn < flow.missLn * THRESHOLDS.explainsEnoughShare
}
