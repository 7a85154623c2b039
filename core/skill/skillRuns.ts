import type { Readings } from '../reading/types.ts'
import { type StepsSeen } from '../routine/stepMarks.ts'
import { SAFETY_STEPS } from '../routine/steps.ts'
import { isCounted } from '../shot/purpose.ts'
import { alikeRun, inTolerances, type OthersShot } from './alike.ts'
import { type ChargeContext, countedReading } from './charging.ts'
import type { CalledAs } from './forTrainer.ts'
import type { SkillFamily } from './skillFamily.ts'
import { READING_KINDS, type ReadingKind, type Skill, type SkillEntry } from './types.ts'

/** One shot of a trainee with all that skill looks at. */
export interface SkillShot {
  shotId: string
  pulledAt: string
  family: SkillFamily
  readings: Readings
  context: ChargeContext
  /** Whether the tool helped; where that was not kept it did not. */
  isHelped: boolean
  /** 0–1; null where no call was judged. */
  callScore: number | null
  /** The cause that was named, and what it was, as far as that is known. */
  calledAs: CalledAs | null
  /** Whether "serve it or pull again?" was answered rightly; null where it is not scored. */
  isServeRight: boolean | null
  /** As those saw it who teach; null where nobody watched. */
  steps: StepsSeen | null
  /** What must be the same for two shots to be pulled alike; null: not known. */
  lock: string | null
}

/** A call from here on is as good as right, from here on half right. */
const [CALL_ON, CALL_NEAR] = [0.7, 0.4]

/** How each of a person's shots stood in each skill, as far as it counts, oldest first. */
export function skillRuns(
  shots: readonly SkillShot[],
  others: readonly OthersShot[] = [],
): Record<Skill, SkillEntry[]> {
  const counted = shots.filter(({ context }) => isCounted(context.purpose) && context.isSimulated !== true)
  const readingRun = (kind: ReadingKind) => counted.flatMap((shot) => readingEntry(kind, shot) ?? [])
  return {
    prep: counted.flatMap((shot) => seenEntry(shot, prepStanding(shot.steps))),
    dose: readingRun('dose'),
    tamp: readingRun('tamp'),
    yield: readingRun('yield'),
    time: readingRun('time'),
    taste: readingRun('taste'),
    call: counted.flatMap((shot) => seenEntry(shot, callStanding(shot))),
    alike: alikeRun(counted, others),
  }
}

function readingEntry(kind: ReadingKind, shot: SkillShot): SkillEntry | null {
  const counted = countedReading(kind, shot.readings, shot.context)
  if (counted === null) return null
  const tolerance = toleranceOf(kind, shot.readings)
  const isMeasured = counted.deviation !== null && tolerance !== null
  const { shotId, pulledAt, isHelped } = shot
  return {
    shotId,
    pulledAt,
    isHelped,
    standing: counted.standing,
    deviation: isMeasured ? inTolerances(counted.deviation ?? 0, tolerance) : null,
  }
}

function seenEntry(
  { shotId, pulledAt, isHelped }: SkillShot,
  standing: SkillEntry['standing'] | null,
): SkillEntry[] {
  return standing === null ? [] : [{ shotId, pulledAt, isHelped, standing, deviation: null }]
}

/** Whether anybody marked a step of a shot; a shot that was noted without is not watched. */
export function isWatched({ steps }: Pick<SkillShot, 'steps'>): boolean {
  return prepStanding(steps) !== null
}

/** A step that was left out is a miss, one that had to be said nearly one. */
function prepStanding(steps: StepsSeen | null): SkillEntry['standing'] | null {
  if (steps === null) return null
  const { stepsDone, stepsPrompted, stepsMissed } = steps
  if (stepsDone.length + stepsPrompted.length + stepsMissed.length === 0) return null
  if (stepsMissed.length > 0) return 'off'
  return stepsPrompted.length > 0 ? 'near' : 'on'
}

/** Serving what should be pulled again, or the other way round, is a miss whatever the call says. */
function callStanding({ callScore, isServeRight }: SkillShot): SkillEntry['standing'] | null {
  if (isServeRight === false) return 'off'
  if (callScore === null) return isServeRight === true ? 'on' : null
  if (callScore >= CALL_ON) return 'on'
  return callScore >= CALL_NEAR ? 'near' : 'off'
}

/** The tolerance of a reading in its own unit; null where it is only seen. */
export function toleranceOf(kind: ReadingKind, readings: Readings): number | null {
  const reading = readings[kind]
  return reading.judged && 'tolerance' in reading ? reading.tolerance : null
}

/** Shots of late in which a safety step could have been missed. */
const SAFETY_SHOTS = 10

/** How often a step by which someone could be hurt was left out in the last ten shots that were watched. */
export function safetyMissed(shots: readonly SkillShot[]): number {
  const watched = shots.filter(isWatched)
  return watched
    .slice(-SAFETY_SHOTS)
    .filter(({ steps }) => steps?.stepsMissed.some((step) => SAFETY_STEPS.includes(step))).length
}

/** The readings among skills. */
export function isReadingKind(skill: Skill): skill is ReadingKind {
  return READING_KINDS.some((kind) => kind === skill)
}
