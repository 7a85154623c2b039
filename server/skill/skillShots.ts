import { type ShotSummary, callScore } from '@calm-apron/contract'
import {
  type Readings,
  type SkillShot,
  calledAs,
  diagnose,
  familyOf,
  flowHeadingOf,
  serveScore,
} from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { lastRulings, lastWords } from './queries.ts'
import type { Read } from './readings.ts'

/** What was said last of shots, by shot: by whoever pulled each, and by a trainer who read it otherwise. */
export interface SaidOfShots {
  words: Awaited<ReturnType<typeof lastWords>>
  rulings: Awaited<ReturnType<typeof lastRulings>>
}

export async function saidOfShots(
  transaction: AcademyTransaction,
  summaries: readonly ShotSummary[],
): Promise<SaidOfShots> {
  return {
    words: await lastWords(transaction, summaries),
    rulings: await lastRulings(
      transaction,
      summaries.map(({ shotId }) => shotId),
    ),
  }
}

/** These shots with all that skill looks at, in the order in which they came. */
export function skillShots(
  summaries: readonly ShotSummary[],
  read: Read,
  { words, rulings }: SaidOfShots,
): SkillShot[] {
  return summaries.flatMap((summary): SkillShot[] => {
    const readings = read(summary)
    if (readings === null) return []
    const { shotId, pulledAt, purpose, isSimulated, grindOwner, stood, current } = summary
    const { noted, grindSetting } = current.facts
    const said = words.get(shotId)
    return [
      {
        shotId,
        pulledAt,
        family: familyOf(readings, stood),
        readings,
        context: { purpose, isSimulated, grindOwner, isReferenceOff: false },
        isHelped: noted?.isHelped === true,
        ...calledIn(readings, grindSetting, said ?? null, rulings.get(shotId) ?? null),
        isServeRight: serveScore(readings),
        // What peers marked counts for nobody.
        steps: (current.isJudgeTeaching ? noted : null) ?? null,
        lock: lockOf(summary),
      },
    ]
  })
}

type Ruled = Parameters<typeof callScore>[2]

/** What a call was worth, and what was taken for what in it. */
function calledIn(
  readings: Readings,
  setting: number | null,
  said: Parameters<typeof callScore>[0],
  ruled: Ruled,
): Pick<SkillShot, 'callScore' | 'calledAs'> {
  if (said === null) return { callScore: null, calledAs: null }
  const diagnosis = diagnose(readings, { setting, grinder: null })
  return {
    callScore: callScore(said, diagnosis, ruled, { flow: flowHeadingOf(readings) }),
    calledAs: calledAs(said.cause, diagnosis, ruled ?? null),
  }
}

/** What must be the same for two shots to be pulled alike; null where the setting is not known. */
export function lockOf({ grinderId, recipeRevisionId, bagId, current }: ShotSummary): string | null {
  const { grindSetting } = current.facts
  return grinderId === null || grindSetting === null
    ? null
    : [grinderId, recipeRevisionId, bagId, grindSetting].join(' ')
}
