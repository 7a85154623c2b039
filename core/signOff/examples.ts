import { readShot } from '../reading/readShot.ts'
import type { ShotPurpose } from '../shot/purpose.ts'
import { noNotes } from '../shot/notes.ts'
import type { ShotFacts } from '../shot/facts.ts'
import { PUMP_RECIPE, type Pull, carefulShot, taste } from '../testing/examples.ts'
import { type CupNote, cupCodes } from './cups.ts'
import type { RunShot } from './lacking.ts'
import type { SetShot } from './setProgress.ts'

/** A shot of a run or a set for tests: careful and tasted well, pulled so many minutes after nine; `no` names it. */
export function pulledShot(
  no: number,
  also: Partial<SetShot & RunShot> & { pull?: Pull; facts?: Partial<ShotFacts>; purpose?: ShotPurpose } = {},
): SetShot & RunShot {
  const { pull = {}, facts = {}, purpose = 'assessment', ...rest } = also
  return {
    shotId: `shot ${no}`,
    personId: 'trainee',
    pulledAt: new Date(Date.parse('2026-11-26T09:00:00Z') + no * 60_000).toISOString(),
    day: '2026-11-26',
    bagId: 'bag',
    family: { by: 'mass', basketId: null },
    readings: readShot(carefulShot(pull, { taste: taste(3, 7, 3), ...facts }), PUMP_RECIPE),
    context: { purpose, grindOwner: 'trainee', isReferenceOff: false },
    isHelped: false,
    callScore: 1,
    calledAs: null,
    isServeRight: null,
    steps: { stepsDone: ['flush'], stepsPrompted: [], stepsMissed: [] },
    lock: null,
    ...rest,
  }
}

/** A trainer's reference shot. */
export const reference = (no: number, pull: Pull = {}) =>
  pulledShot(no, { personId: 'trainer', purpose: 'reference', pull })

/** What somebody says of whether a shot is served. */
export const served = (what: 'serve' | 'pull-again'): Partial<ShotFacts> => ({
  noted: { ...noNotes(), served: what },
})

/** Every cup of a set as these tasted it: the references well, the others like this. */
export function tastedBy(
  people: readonly string[],
  shots: readonly SetShot[],
  like = taste(3, 7, 3),
): CupNote[] {
  const codes = cupCodes(shots.map(({ shotId }) => shotId))
  return people.flatMap((by) =>
    shots.map(({ shotId, context }) => ({
      by,
      cup: codes.get(shotId) ?? '',
      taste: context.purpose === 'reference' ? taste(3, 7, 3) : like,
    })),
  )
}
