import type { GateFault, GateUnknown, Readings } from '../reading/types.ts'
import type { ReadingKind } from '../skill/types.ts'
import { type FocusPart, isLookedAt, isOfHandsOnly } from '../training/focus.ts'
import { causeOfFault } from './mend.ts'
import type { Observation } from './types.ts'

const PART_OF_FAULT: Record<GateFault, FocusPart> = {
  'machine-cold': 'ready',
  'basket-wet': 'ready',
  'basket-dirty': 'ready',
  'wrong-basket': 'ready',
  'grinder-not-purged': 'bed',
  'dose-low': 'dose',
  'dose-high': 'dose',
  'dose-topped-up': 'tamp',
  'bed-uneven': 'bed',
  'tamp-tilted': 'tamp',
  'tamp-slightly-tilted': 'tamp',
  'tamp-unsettled': 'tamp',
}

/** The look at what nobody looked at. */
const LOOKS: readonly [ReadingKind & GateUnknown, Observation][] = [
  ['dose', 'weigh-dose'],
  ['tamp', 'check-tamp'],
]

/** Where the day looks at nothing behind the tamp, only that is spoken of; a choke is one all the same. */
export function isSaidOfHands({ flow, of: { context } }: Readings): boolean {
  return isOfHandsOnly(context.focus) && flow.state === 'unknown'
}

/** What can be said of dose, bed and tamp where the day looks at nothing behind them. */
export interface HandsSeen {
  /** What to mend, in the order in which it is mended. */
  faults: GateFault[]
  /** What is looked at and was not looked for. */
  look: Observation | null
}

/** Dose, bed and tamp of a shot of which nothing else is looked at. */
export function handsSeen({ gate, of: { context }, ...readings }: Readings): HandsSeen {
  const isOn = (part: FocusPart) => isLookedAt(context.focus, part)
  return {
    faults: gate.faults.filter((fault) => isOn(PART_OF_FAULT[fault])),
    look: LOOKS.find(([kind]) => isOn(kind) && !readings[kind].judged)?.[1] ?? null,
  }
}

/** The first fault's cause; null where none was seen. */
export function causeOfHands({ faults: [first] }: HandsSeen) {
  return first === undefined ? null : causeOfFault(first)
}
