import { readTaste } from '../reading/tasteReading.ts'
import type { ShotFacts } from '../shot/facts.ts'
import type { SkillEntry } from '../skill/types.ts'
import type { SetShot } from './setProgress.ts'

/** What one assessor tasted in a cup of which they know the code alone. */
export interface CupNote {
  by: string
  cup: string
  taste: ShotFacts['taste']
}

/** Codes of three digits, as tasters write them on cups: they say nothing of whose it is, or which was pulled first. */
const [FIRST_CODE, CODES] = [100, 900]
/** So many tongues judge a cup: nobody fails by a single one. */
const TONGUES = 2

/**
 * The code that each cup of a set bears while it is tasted.
 * @param shotIds in the order in which they were pulled
 */
export function cupCodes(shotIds: readonly string[]): Map<string, string> {
  const taken = new Set<number>()
  return new Map(
    shotIds.map((shotId) => {
      let code = spread(shotId)
      while (taken.has(code)) code = (code + 1) % CODES
      taken.add(code)
      return [shotId, `${FIRST_CODE + code}`]
    }),
  )
}

/** The same for the same id, and near for none that are. */
function spread(shotId: string): number {
  let sum = 7
  for (const letter of shotId) sum = (sum * 31 + letter.charCodeAt(0)) % 1_000_003
  return sum % CODES
}

/** What came of tasting the cups of a set by their codes. */
export interface CupsTasted {
  /** How many tasted every counted cup, and a reference that they did not find off. */
  tongues: number
  /** How each counted cup stands to all of those: off only where none of them found it better. */
  run: SkillEntry[]
}

/**
 * How the counted cups of a set stand by what assessors tasted, each knowing the code alone. Beside them stands a trainer's reference:
 * whoever finds that off goes by another scale than the house, and is not counted.
 * @param all every shot of the set, oldest first
 */
export function cupsTasted(
  all: readonly SetShot[],
  counted: readonly SetShot[],
  notes: readonly CupNote[],
): CupsTasted {
  const codes = cupCodes(all.map(({ shotId }) => shotId))
  const standingTo = (by: string, { shotId, readings }: SetShot) => {
    const note = notes.find((each) => each.by === by && each.cup === codes.get(shotId))
    const reading = note === undefined ? null : readTaste(note.taste, readings.of.recipe)
    return reading?.judged === true ? reading.standing : null
  }
  const references = all.filter(({ context }) => context.purpose === 'reference')
  const isTongue = (by: string) => {
    const found = references.flatMap((shot) => standingTo(by, shot) ?? [])
    return (
      found.length > 0 && !found.includes('off') && counted.every((shot) => standingTo(by, shot) !== null)
    )
  }
  const tongues = [...new Set(notes.map(({ by }) => by))].filter(isTongue)
  const run = counted.flatMap((shot): SkillEntry[] => {
    const standings = tongues.flatMap((by) => standingTo(by, shot) ?? [])
    const best = BEST_FIRST.find((standing) => standings.includes(standing))
    const { shotId, pulledAt, isHelped } = shot
    return best === undefined ? [] : [{ shotId, pulledAt, isHelped, standing: best, deviation: null }]
  })
  return { tongues: tongues.length, run }
}

/** Whether so many tongues may judge. */
export function isJudgedBy(tongues: number): boolean {
  return tongues >= TONGUES
}

const BEST_FIRST = ['on', 'near', 'off'] as const
