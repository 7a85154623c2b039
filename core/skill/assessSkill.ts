import { SESSION_MS } from '../reading/recorded.ts'
import { type OthersShot, lastRangeS } from './alike.ts'
import { SHOWN_SHOTS, type SkillStanding, type SkillStory, assessRun } from './assessRun.ts'
import { type Confusion, confusionOf } from './forTrainer.ts'
import { passProbability, passSetProbability } from './passSet.ts'
import { firstGoodOf, lastSessionOf } from './sessions.ts'
import { type SkillShot, isReadingKind, safetyMissed, skillRuns, toleranceOf } from './skillRuns.ts'
import {
  READING_KINDS,
  type ReadingKind,
  type Rung,
  SKILLS,
  type Skill,
  type SkillEntry,
  type SkillProgramme,
  eachSkill,
} from './types.ts'

/** An assessment that was passed and signed, so many days ago. */
export interface SignOff {
  ageDays: number
}

/** What a trainee can do in one family of shots, by their last ones. */
export interface TraineeSkill {
  /** Shots that count, and when the newest of them was pulled; null before the first. */
  shots: number
  lastAt: string | null
  skills: Record<Skill, SkillStanding>
  /** How the newest shots stood, oldest first. */
  runs: Record<Skill, SkillEntry[]>
  /** What one tolerance of each reading is, in its own unit, by the newest recipe; null where it is only seen. */
  tolerances: Record<ReadingKind, number | null>
  meanCallScore: number | null
  /** In the last ten shots that were watched. */
  safetyMissed: number
  /** The range of the last five times at one setting, in s. */
  alikeRangeS: number | null
  /** Probability of passing an assessment set today; null before eight shots of each reading that was judged. */
  passToday: number | null
  rung: Rung
  isAssessmentWorthIt: boolean
  /** How many shots the newest session had, and how many were right in all that was judged; null before the first. */
  lastSession: { shots: number; good: number } | null
  /** What only those see who teach: what is taken for what, which shot of a session is first good. */
  forTrainer: { confusion: Confusion | null; firstGood: number | null } | null
  /** What to practise next, and how it misses. Null when nothing stands out, or by chance alone. */
  practiseNext: { skill: Skill; story: SkillStory } | null
  /** What went right in the last session, and nothing went wrong in it; null where there is nothing of the kind. */
  wentRight: Skill | null
}

/**
 * A trainee's skill from their shots of one family, oldest first: each skill by itself, and the whole as the rung of its weakest
 * reading.
 * @param signOff the last one, or null
 * @param others others' shots at the same settings, by which the bar's drift is told
 */
export function assessSkill(
  shots: readonly SkillShot[],
  programme: SkillProgramme,
  signOff: SignOff | null = null,
  others: readonly OthersShot[] = [],
): TraineeSkill {
  const runs = skillRuns(shots, others)
  const meanCallScore = meanOf(shots.flatMap(({ callScore }) => callScore ?? []))
  const skills = eachSkill((skill) =>
    assessRun(runs[skill], programme, {
      // What the tool helped with says nothing of the hands.
      isUnhelpedOnly: skill === 'dose' || skill === 'yield',
      meanCallScore: isReadingKind(skill) ? meanCallScore : null,
    }),
  )
  const missed = safetyMissed(shots)
  // What nobody has judged yet is neither a strength nor a hindrance.
  const judged = READING_KINDS.filter((kind) => skills[kind].shots > 0)
  const passToday = passOf(judged, skills, programme)
  const practiseNext = weakest(skills, programme)
  return {
    shots: shots.length,
    lastAt: shots.at(-1)?.pulledAt ?? null,
    skills,
    runs: eachSkill((skill) => runs[skill].slice(-SHOWN_SHOTS)),
    tolerances: latestTolerances(shots),
    meanCallScore,
    safetyMissed: missed,
    alikeRangeS: lastRangeS(shots),
    passToday,
    rung: overallRung(
      judged.map((kind) => skills[kind]),
      programme,
      signOff,
      missed > 0,
    ),
    isAssessmentWorthIt: passToday !== null && missed === 0 && passToday >= programme.assessFrom,
    lastSession: lastSessionOf(runs),
    forTrainer: {
      confusion: confusionOf(shots.flatMap(({ calledAs }) => calledAs ?? [])),
      firstGood: firstGoodOf(runs),
    },
    practiseNext,
    wentRight: bestOfLast(runs, practiseNext?.skill ?? null),
  }
}

function meanOf(values: readonly number[]): number | null {
  return values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length
}

function passOf(
  judged: readonly ReadingKind[],
  skills: Record<Skill, SkillStanding>,
  programme: SkillProgramme,
): number | null {
  if (judged.length === 0 || judged.some((kind) => skills[kind].on === null)) return null
  return passSetProbability(
    judged.map((kind) => skills[kind].counts),
    programme,
  )
}

function latestTolerances(shots: readonly SkillShot[]): TraineeSkill['tolerances'] {
  const newestFirst = shots.toReversed()
  const latest = (kind: ReadingKind) => {
    for (const { readings } of newestFirst) {
      const tolerance = toleranceOf(kind, readings)
      if (tolerance !== null) return tolerance
    }
    return null
  }
  return {
    dose: latest('dose'),
    tamp: null,
    yield: latest('yield'),
    time: latest('time'),
    taste: latest('taste'),
  }
}

const ORDER: readonly SkillStanding['rung'][] = ['new', 'learning', 'steady', 'ready']

function overallRung(
  skills: readonly SkillStanding[],
  { signOffDays }: SkillProgramme,
  signOff: SignOff | null,
  isUnsafe: boolean,
): Rung {
  const hasDrifted = skills.some(({ recentWorsening }) => recentWorsening.length > 0)
  if (signOff !== null) return signOff.ageDays >= signOffDays || hasDrifted ? 'due' : 'signed-off'
  const lowest = Math.min(...skills.map(({ rung }) => ORDER.indexOf(rung)))
  const rung = ORDER[lowest] ?? 'new'
  return rung === 'ready' && isUnsafe ? 'steady' : rung
}

/**
 * What to practise, of all that enough is known of: the first in the order of the work that would rather fail a set than pass it, for
 * what is off early spoils what follows; else whatever is least likely to pass. Pulling alike stands for time where that is
 * never theirs; elsewhere it follows from the others.
 */
function weakest(
  skills: Record<Skill, SkillStanding>,
  programme: SkillProgramme,
): TraineeSkill['practiseNext'] {
  const open = SKILLS.filter((skill) => skill !== 'alike' || skills.time.shots === 0)
    .filter((skill) => skills[skill].on !== null && skills[skill].rung !== 'ready')
    .map((skill) => ({ skill, passes: passProbability(skills[skill].counts, programme) }))
  const [least] = open.toSorted((a, b) => a.passes - b.passes)
  const found = open.find(({ passes }) => passes < 0.5) ?? least
  return found === undefined ? null : { skill: found.skill, story: skills[found.skill].story }
}

/** The skill that was on each time in the newest session, the one seen most often first; not what is to be practised all the same. */
function bestOfLast(runs: Record<Skill, SkillEntry[]>, except: Skill | null): Skill | null {
  const newestMs = Math.max(
    ...SKILLS.map((skill) => Date.parse(runs[skill].at(-1)?.pulledAt ?? '1970-01-01')),
  )
  const lately = (skill: Skill) =>
    runs[skill].filter(({ pulledAt }) => newestMs - Date.parse(pulledAt) < SESSION_MS)
  const [best] = SKILLS.filter((skill) => skill !== except)
    .map((skill) => ({ skill, run: lately(skill) }))
    .filter(({ run }) => run.length > 0 && run.every(({ standing }) => standing === 'on'))
    .sort((a, b) => b.run.length - a.run.length)
  return best?.skill ?? null
}
