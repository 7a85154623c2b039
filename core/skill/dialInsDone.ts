import { adviserFromStart } from '../dialin/fromStart.ts'
import type { GrindKnown } from '../dialin/situation.ts'
import { spentOn } from '../dialin/spent.ts'

/** How somebody dials in: shots and grams a time, and what the adviser would have needed from the same starts. */
export interface DialInsDone {
  /** Those that landed; one that was given up says nothing of how it would have gone on. */
  dialIns: number
  /** Means; null below five of which the adviser's need can be told. */
  compared: { of: number; shots: number; grams: number; adviserShots: number; adviserGrams: number } | null
}

/** Of fewer only words are said. */
const LEAST_DIAL_INS = 5

/** @param done each with its own shots in `session`, oldest first */
export function dialInsDone(done: readonly GrindKnown[]): DialInsDone {
  const landed = done.filter(({ session }) => session.at(-1)?.cameOut === 'in-window')
  const pairs = landed.flatMap((known) => {
    const adviser = adviserFromStart(known)
    return adviser === null ? [] : [{ own: ownOf(known), adviser }]
  })
  const mean = (of: (pair: (typeof pairs)[number]) => number) =>
    pairs.reduce((sum, pair) => sum + of(pair), 0) / pairs.length
  return {
    dialIns: landed.length,
    compared:
      pairs.length < LEAST_DIAL_INS
        ? null
        : {
            of: pairs.length,
            shots: mean(({ own }) => own.shots),
            grams: mean(({ own }) => own.grams),
            adviserShots: mean(({ adviser }) => adviser.shots),
            adviserGrams: mean(({ adviser }) => adviser.grams),
          },
  }
}

function ownOf({ session, recipe, grinder, wish }: GrindKnown) {
  return spentOn(session, {
    usualDoseG: recipe.doseG,
    purgeG: grinder.purgeG,
    pricePerKg: wish.pricePerKg,
  })
}
