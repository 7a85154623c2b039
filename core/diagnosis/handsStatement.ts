import type { Readings } from '../reading/types.ts'
import type { GrindContext } from './grindMove.ts'
import { headingOf } from './heading.ts'
import { causeOfFault, mendOf } from './mend.ts'
import { causeOfHands, handsSeen } from './ofHands.ts'
import { pressureCautionOf } from './pressure.ts'
import type { Move, Statement } from './types.ts'
import { oneThingRight, readingChangedBy } from './worthSaying.ts'

/** What is said of dose, bed and tamp alone. */
export function statementOfHands(readings: Readings, grind: GrindContext): Statement {
  const seen = handsSeen(readings)
  const cause = causeOfHands(seen)
  const unseen: Move | null = seen.look === null ? null : { lever: 'observe', observation: seen.look }
  const move = cause === null ? (unseen ?? { lever: 'leave' }) : mendOf(cause, readings, grind).move
  const [, ...others] = seen.faults
  const mendToo = others.filter((fault) => causeOfFault(fault) !== cause)
  const changes = readingChangedBy(move)
  return {
    heading: headingOf(readings),
    verdict: 'unclear',
    named:
      cause === null && unseen !== null
        ? { as: 'unclear', causes: [] }
        : { as: 'one', causes: [cause ?? 'none'] },
    move,
    why: [],
    mendToo,
    hold: [],
    right: oneThingRight(readings, changes),
    changes,
    pressureCaution: pressureCautionOf(readings),
    causes: [],
  }
}
