import { type AllStepsSeen, noStepsSeen } from '../routine/stepMarks.ts'
import { type FactsOf, nothingOf } from './factKinds.ts'
import { FACTS } from './factTable.ts'
import type { FlowMark } from './marks.ts'
import type { SignsSeen } from './signs.ts'
import type { WeightSeen } from './weightsSeen.ts'

/** A mark that was tapped while the shot ran. */
export interface MarkAt {
  mark: FlowMark
  /** s from pump start. */
  atS: number
}

/** Notes that have a shape of their own. */
export interface ShapedNotes extends AllStepsSeen {
  marks: MarkAt[]
  /** Read off a scale that says nothing, while it ran; in the order of time. */
  weightsSeen: WeightSeen[]
  /** Two cups under two spouts, each weighed, in g. */
  cupsG: [number, number] | null
  /** What the one at the bar expected of the time, and what the tool did, in s on the recipe's clock. */
  predicted: { byPersonS: number | null; byToolS: number | null } | null
  signs: SignsSeen
}

/** What was noted of one shot at the bar, beyond what it is judged by first. Null is "not noted". */
export interface ShotNotes extends FactsOf<typeof FACTS.noted>, ShapedNotes {}

/** Notes of a shot of which nothing was noted. */
export function noNotes(): ShotNotes {
  return {
    ...nothingOf(FACTS.noted),
    ...noStepsSeen(),
    ownSteps: [],
    marks: [],
    weightsSeen: [],
    cupsG: null,
    predicted: null,
    signs: {},
  }
}
