import type { Readings } from '../reading/types.ts'
import { type ReadingSkill, type SkillStory, assessReading } from './assessReading.ts'
import { type ChargeContext, countedReading } from './charging.ts'
import { passProbability, passSetProbability } from './passSet.ts'
import { READING_KINDS, type ReadingKind, type Rung, type SkillProgramme } from './types.ts'

/** One shot of a trainee with what it was pulled for; `callScore` is 0–1, null where no call was judged. */
export interface SkillShot {
  readings: Readings
  context: ChargeContext
  callScore: number | null
}

/** An assessment that was passed and signed, so many days ago. */
export interface SignOff {
  ageDays: number
}

/** What a trainee can do, by their last shots. */
export interface TraineeSkill {
  readings: Record<ReadingKind, ReadingSkill>
  meanCallScore: number | null
  /** Probability of passing an assessment set today. */
  passToday: number
  rung: Rung
  isAssessmentWorthIt: boolean
  /** What to practise next: the reading most likely to fail a set, and how it misses. Null when nothing stands out. */
  practiseNext: { reading: ReadingKind; story: SkillStory } | null
}

/**
 * A trainee's skill from their shots, oldest first: each reading by itself, and the whole as the rung of its weakest.
 * @param signOff the last one, or null
 */
export function assessSkill(
  shots: readonly SkillShot[],
  programme: SkillProgramme,
  signOff: SignOff | null = null,
): TraineeSkill {
  const calls = shots.flatMap(({ callScore }) => (callScore === null ? [] : [callScore]))
  const meanCallScore =
    calls.length === 0 ? null : calls.reduce((sum, score) => sum + score, 0) / calls.length
  const skillOf = (kind: ReadingKind) =>
    assessReading(
      shots.flatMap(({ readings, context }) => countedReading(kind, readings, context) ?? []),
      latestTolerance(kind, shots),
      programme,
      meanCallScore,
    )
  const readings = {
    dose: skillOf('dose'),
    tamp: skillOf('tamp'),
    yield: skillOf('yield'),
    time: skillOf('time'),
    taste: skillOf('taste'),
  }
  // What nobody has judged yet is neither a strength nor a hindrance.
  const judged = READING_KINDS.filter((kind) => readings[kind].shots > 0)
  const passToday =
    judged.length === 0
      ? 0
      : passSetProbability(
          judged.map((kind) => readings[kind].counts),
          programme,
        )
  return {
    readings,
    meanCallScore,
    passToday,
    rung: overallRung(
      judged.map((kind) => readings[kind]),
      programme,
      signOff,
    ),
    isAssessmentWorthIt: passToday >= programme.assessFrom,
    practiseNext: weakest(judged, readings, programme),
  }
}

function latestTolerance(kind: ReadingKind, shots: readonly SkillShot[]): number {
  for (const { readings } of [...shots].reverse()) {
    const reading = readings[kind]
    if (reading.judged && 'tolerance' in reading) return reading.tolerance
  }
  return 0
}

const ORDER: readonly ReadingSkill['rung'][] = ['new', 'learning', 'steady', 'ready']

function overallRung(
  skills: readonly ReadingSkill[],
  { signOffDays }: SkillProgramme,
  signOff: SignOff | null,
): Rung {
  const hasDrifted = skills.some(({ recentWorsening }) => recentWorsening.length > 0)
  if (signOff !== null) return signOff.ageDays >= signOffDays || hasDrifted ? 'due' : 'signed-off'
  const lowest = Math.min(...skills.map(({ rung }) => ORDER.indexOf(rung)))
  return ORDER[lowest] ?? 'new'
}

function weakest(
  judged: readonly ReadingKind[],
  readings: Record<ReadingKind, ReadingSkill>,
  programme: SkillProgramme,
): TraineeSkill['practiseNext'] {
  const [reading] = [...judged]
    .filter((kind) => readings[kind].rung !== 'ready')
    .sort(
      (a, b) =>
        passProbability(readings[a].counts, programme) - passProbability(readings[b].counts, programme),
    )
  return reading === undefined ? null : { reading, story: readings[reading].story }
}
