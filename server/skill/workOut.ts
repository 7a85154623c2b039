import {
  type BesideSkill,
  type BriefSkill,
  type FamilySkill,
  type ShotSummary,
  briefOf,
  callScore,
} from '@calm-apron/contract'
import {
  DEFAULT_PROGRAMME,
  type OthersShot,
  type Readings,
  SKILL_RULES,
  type SkillFamily,
  type SkillShot,
  assessSkill,
  calledAs,
  diagnose,
  familyOf,
  flowHeadingOf,
  isSameFamily,
  serveScore,
  timeOf,
} from '@calm-apron/core'
import { inAcademy } from '../database/inAcademy.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import type { House } from '../house.ts'
import { tellLive } from '../live/hub.ts'
import {
  type Claimed,
  academiesBehind,
  claimBehind,
  countedShots,
  keepSkill,
  lastRulings,
  lastWords,
  othersShots,
} from './queries.ts'
import { besideOf } from './beside.ts'
import { dialInsOf } from './dialIns.ts'
import { readerOf } from './readings.ts'

/** Works out everyone who is behind, until nobody is; what another server has in hand is left to it. */
export async function workOutAll(
  { database, now }: Pick<House, 'database' | 'now'>,
  stopping: AbortSignal | null = null,
): Promise<void> {
  for (const academyId of await academiesBehind(database, SKILL_RULES)) {
    while (stopping?.aborted !== true) {
      const claimed = await inAcademy(database, academyId, (transaction) =>
        claimBehind(transaction, SKILL_RULES, now()),
      )
      if (claimed === null) break
      await inAcademy(database, academyId, (transaction) => workOut(transaction, academyId, claimed, now()))
    }
  }
}

async function workOut(
  transaction: AcademyTransaction,
  academyId: string,
  claimed: Claimed,
  workedOutAt: Date,
): Promise<void> {
  const { personId } = claimed
  const { figures, beside } = await figuresOf(transaction, academyId, personId)
  const brief: BriefSkill[] = figures.map(briefOf)
  await keepSkill(transaction, claimed, { figures, brief, beside, rulesVersion: SKILL_RULES, workedOutAt })
  await tellLive(transaction, academyId, { kind: 'skill', personId }, personId)
}

/** A person's figures from the facts, each family of shots by itself, the one pulled last first. */
async function figuresOf(
  transaction: AcademyTransaction,
  academyId: string,
  personId: string,
): Promise<{ figures: FamilySkill[]; beside: BesideSkill }> {
  const summaries = await countedShots(transaction, academyId, personId)
  const trainingIds = [...new Set(summaries.flatMap(({ trainingId }) => trainingId ?? []))]
  const beside = await othersShots(transaction, academyId, personId, trainingIds)
  const read = await readerOf(transaction, [...summaries, ...beside])
  const shots = await skillShots(transaction, personId, summaries, read)
  const others = beside.flatMap((summary) => otherShot(summary, read) ?? [])
  const figures = familiesOf(shots).map((family) => {
    const ofFamily = shots.filter((each) => isSameFamily(each.family, family))
    return { family, ...assessSkill(ofFamily.toReversed(), DEFAULT_PROGRAMME, null, others) }
  })
  return {
    figures,
    beside: {
      ...(await besideOf(transaction, summaries)),
      dialIn: await dialInsOf(transaction, academyId, personId),
    },
  }
}

type Read = Awaited<ReturnType<typeof readerOf>>

/** Newest first, as they came. */
async function skillShots(
  transaction: AcademyTransaction,
  personId: string,
  summaries: readonly ShotSummary[],
  read: Read,
): Promise<SkillShot[]> {
  const shotIds = summaries.map(({ shotId }) => shotId)
  const words = await lastWords(transaction, personId, shotIds)
  const rulings = await lastRulings(transaction, shotIds)
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
function lockOf({ grinderId, recipeRevisionId, bagId, current }: ShotSummary): string | null {
  const { grindSetting } = current.facts
  return grinderId === null || grindSetting === null
    ? null
    : [grinderId, recipeRevisionId, bagId, grindSetting].join(' ')
}

function otherShot(summary: ShotSummary, read: Read): OthersShot | null {
  const readings = read(summary)
  const lock = lockOf(summary)
  const timeS = readings === null ? null : timeOf({ readings })
  return lock === null || timeS === null ? null : { pulledAt: summary.pulledAt, lock, timeS }
}

function familiesOf(shots: readonly SkillShot[]): SkillFamily[] {
  const families: SkillFamily[] = []
  for (const { family } of shots)
    if (!families.some((each) => isSameFamily(each, family))) families.push(family)
  return families
}
