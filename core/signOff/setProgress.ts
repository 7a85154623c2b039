import { shouldServe } from '../skill/serveScore.ts'
import type { SkillShot } from '../skill/skillRuns.ts'
import type { Programme } from './programme.ts'

/** A shot that was pulled within a set, by whomever. */
export interface SetShot extends SkillShot {
  personId: string
}

/** What of such a shot tells how far a set is. */
export type SeenInSet = Pick<SetShot, 'shotId' | 'personId' | 'pulledAt' | 'readings'> & {
  context: Pick<SetShot['context'], 'purpose'>
}

/** What is next in a set. */
export const SET_STEPS = [
  /** A trainer's shot, on, before it begins. */
  'reference',
  'pull',
  'reference-after',
  /** The one afterwards was off: a second. */
  'second-reference',
  'close',
] as const
/** The same, one of them. */
export type SetStep = (typeof SET_STEPS)[number]

/** How far a set is. */
export interface SetProgress<S = SetShot> {
  next: SetStep
  /** Those that count, in order. */
  counted: S[]
  /** Before them: to find the setting, or to get used to the group. */
  uncounted: S[]
  uncountedLeft: number
  /** The one whose fault was called in time, and which was pulled again; null where there is none. */
  pulledAgain: S | null
  /** Those of an equipment failure. */
  voided: S[]
  /** Whether bar and coffee were right afterwards; null while that is not known. */
  isBarRight: boolean | null
}

/** Whether a shot shows that bar and coffee are right, as a trainer's does: on time, and not off in what was tasted. */
export function isReferenceOn({ readings: { time, taste, flow } }: Pick<SkillShot, 'readings'>): boolean {
  const isOnTime = time.judged ? time.standing === 'on' : flow.state === 'on'
  return isOnTime && !(taste.judged && taste.standing === 'off')
}

/**
 * How far a set is, by the shots that were pulled within it.
 * @param shots oldest first
 * @param personId whose set it is
 */
export function setProgress<S extends SeenInSet>(
  shots: readonly S[],
  personId: string,
  { set }: Pick<Programme, 'set'>,
): SetProgress<S> {
  const own = shots.filter((shot) => shot.personId === personId)
  const of = (purpose: string) => own.filter(({ context }) => context.purpose === purpose)
  const pulledAgain = of('assessment').find(isCalledInTime) ?? null
  const counted = of('assessment')
    .filter((shot) => shot !== pulledAgain)
    .slice(0, set.shots)
  const last = counted.at(-1)
  const isFull = counted.length === set.shots
  const references = shots.filter(({ context }) => context.purpose === 'reference')
  const after = references.filter((shot) => isFull && last !== undefined && shot.pulledAt > last.pulledAt)
  const first = counted[0] ?? null
  const before = references.filter((shot) => first === null || shot.pulledAt < first.pulledAt)
  const uncounted = own.filter(
    ({ context }) => context.purpose === 'dial-in' || context.purpose === 'practice',
  )
  return {
    next: nextOf(before, after, {
      isFull,
      isReferencedAfter: set.isReferencedAfter !== false || counted.some((shot) => !isReferenceOn(shot)),
    }),
    counted,
    uncounted,
    uncountedLeft: first === null ? Math.max(0, set.uncounted - uncounted.length) : 0,
    pulledAgain,
    voided: of('equipment-failure'),
    isBarRight: isBarRight(after),
  }
}

/** Said to be pulled again, and rightly so: that is good work, once in a set. */
function isCalledInTime({ readings }: Pick<SetShot, 'readings'>): boolean {
  return readings.of.facts.noted?.served === 'pull-again' && shouldServe(readings) === 'pull-again'
}

function nextOf(
  before: readonly SeenInSet[],
  after: readonly SeenInSet[],
  { isFull, isReferencedAfter }: { isFull: boolean; isReferencedAfter: boolean },
): SetStep {
  if (!isFull) return before.some(isReferenceOn) ? 'pull' : 'reference'
  if (!isReferencedAfter) return 'close'
  if (after.length === 0) return 'reference-after'
  return isBarRight(after) === null ? 'second-reference' : 'close'
}

/** One that is on afterwards is enough; two that are off say that it was not the hands. */
function isBarRight(after: readonly SeenInSet[]): boolean | null {
  if (after.some(isReferenceOn)) return true
  return after.length >= 2 ? false : null
}
