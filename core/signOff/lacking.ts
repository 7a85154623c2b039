import { assessSkill } from '../skill/assessSkill.ts'
import { type SkillShot, isReadingKind, safetyMissed } from '../skill/skillRuns.ts'
import { isCounted } from '../shot/purpose.ts'
import { DEFAULT_PROGRAMME, type Skill, type SkillProgramme } from '../skill/types.ts'
import type { Programme } from './programme.ts'

/** A shot of a run, with what it was pulled with. */
export interface RunShot extends SkillShot {
  /** The day where the academy is, such as 2026-11-29. */
  day: string
  bagId: string | null
}

/** One thing that is still lacking before a set; numbers are how many more. */
export type Lacking =
  | { kind: 'shots' | 'days' | 'bags'; more: number }
  | { kind: 'part'; skill: Skill; is: 'unseen' | 'not-yet' }
  | { kind: 'safety'; times: number }
  | { kind: 'before'; programmeId: string }

/** What a run amounts to: what is lacking, most basic first, and the chance to pass a set today (the trainer's view only). */
export interface RunStanding {
  lacking: Lacking[]
  passToday: number | null
  /** Whether a judged part lies elsewhere of late than before. */
  hasShifted: boolean
}

/** By what the ladder is measured for this programme. */
function ladderOf({ run, set }: Pick<Programme, 'run' | 'set'>): SkillProgramme {
  const { readyFrom, callScoreFrom } = run
  return {
    ...DEFAULT_PROGRAMME,
    readyFrom,
    callScoreFrom,
    setShots: set.shots,
    setOnShots: set.onShots,
  }
}

/**
 * What still lacks before somebody may be assessed: enough shots without help, on days and with bags enough, each judged reading
 * ready, no safety step missed of late, calls good enough.
 * @param shots those by the programme's recipes, oldest first
 * @param signedOff programmes that they are signed off in
 */
export function runStanding(
  shots: readonly RunShot[],
  programme: Pick<Programme, 'run' | 'set' | 'skills' | 'buildsOn' | 'way'>,
  signedOff: ReadonlySet<string> = new Set(),
): RunStanding {
  const before = programme.buildsOn
    .filter((programmeId) => !signedOff.has(programmeId))
    .map((programmeId): Lacking => ({ kind: 'before', programmeId }))
  if (programme.way === 'ticks') return { lacking: before, passToday: null, hasShifted: false }
  const counted = shots.filter(({ context }) => isCounted(context.purpose) && context.isSimulated !== true)
  // Unhelped: what the tool helped with says nothing of the hands.
  const own = counted.filter(({ isHelped }) => !isHelped)
  const { shots: least, days, bags } = programme.run
  const skill = assessSkill(counted, ladderOf(programme))
  const times = safetyMissed(counted)
  return {
    lacking: [
      ...before,
      ...more('shots', least - own.length),
      ...more('days', days - new Set(own.map(({ day }) => day)).size),
      ...more('bags', bags - new Set(own.flatMap(({ bagId }) => bagId ?? [])).size),
      ...(times > 0 ? [{ kind: 'safety', times } as const] : []),
      ...programme.skills.flatMap((each) => partLacking(each, skill, programme)),
    ],
    passToday: skill.passToday,
    hasShifted: programme.skills.some((part) => skill.skills[part].shift !== null),
  }
}

function more(kind: 'shots' | 'days' | 'bags', count: number): Lacking[] {
  return count > 0 ? [{ kind, more: count }] : []
}

/** A reading must be ready, and calls be scored well enough; what else is judged is judged in the set. */
function partLacking(
  part: Skill,
  { skills, meanCallScore }: ReturnType<typeof assessSkill>,
  { run }: Pick<Programme, 'run'>,
): Lacking[] {
  const lacks = (is: 'unseen' | 'not-yet'): Lacking[] => [{ kind: 'part', skill: part, is }]
  if (part === 'call') {
    if (meanCallScore === null) return lacks('unseen')
    return meanCallScore < run.callScoreFrom ? lacks('not-yet') : []
  }
  if (!isReadingKind(part)) return []
  if (skills[part].shots === 0) return lacks('unseen')
  return skills[part].rung === 'ready' ? [] : lacks('not-yet')
}
