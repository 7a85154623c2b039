import {
  type BesideSkill,
  type BriefSkill,
  type FamilySkill,
  type ShotSummary,
  briefOf,
} from '@calm-apron/contract'
import {
  DEFAULT_PROGRAMME,
  type OthersShot,
  SKILL_RULES,
  type SkillFamily,
  assessSkill,
  isSameFamily,
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
  othersShots,
} from './queries.ts'
import { standingSignOffs } from '../signOff/signOffs.ts'
import { besideOf } from './beside.ts'
import { dialInsOf } from './dialIns.ts'
import { type Read, readerOf } from './readings.ts'
import { lockOf, saidOfShots, skillShots } from './skillShots.ts'

const MS_PER_DAY = 86_400_000

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
  const { figures, beside } = await figuresOf(transaction, academyId, personId, workedOutAt)
  const brief: BriefSkill[] = figures.map(briefOf)
  await keepSkill(transaction, claimed, { figures, brief, beside, rulesVersion: SKILL_RULES, workedOutAt })
  await tellLive(transaction, academyId, { kind: 'skill', personId }, personId)
}

/** A person's figures from the facts, each family of shots by itself, the one pulled last first. */
async function figuresOf(
  transaction: AcademyTransaction,
  academyId: string,
  personId: string,
  now: Date,
): Promise<{ figures: FamilySkill[]; beside: BesideSkill }> {
  const summaries = await countedShots(transaction, academyId, personId)
  const trainingIds = [...new Set(summaries.flatMap(({ trainingId }) => trainingId ?? []))]
  const beside = await othersShots(transaction, academyId, personId, trainingIds)
  const read = await readerOf(transaction, [...summaries, ...beside])
  const shots = skillShots(summaries, read, await saidOfShots(transaction, summaries))
  const others = beside.flatMap((summary) => otherShot(summary, read) ?? [])
  const signOffs = await standingSignOffs(transaction, academyId, personId, now)
  const signOffIn = (family: SkillFamily) => {
    const found = signOffs.find((each) => isSameFamily(each.family, family))
    return found === undefined ? null : { ageDays: (now.getTime() - found.at.getTime()) / MS_PER_DAY }
  }
  const figures = familiesOf(shots).map((family) => {
    const ofFamily = shots.filter((each) => isSameFamily(each.family, family))
    return { family, ...assessSkill(ofFamily.toReversed(), DEFAULT_PROGRAMME, signOffIn(family), others) }
  })
  return {
    figures,
    beside: {
      ...(await besideOf(transaction, summaries)),
      dialIn: await dialInsOf(transaction, academyId, personId),
    },
  }
}

function otherShot(summary: ShotSummary, read: Read): OthersShot | null {
  const readings = read(summary)
  const lock = lockOf(summary)
  const timeS = readings === null ? null : timeOf({ readings })
  return lock === null || timeS === null ? null : { pulledAt: summary.pulledAt, lock, timeS }
}

function familiesOf(shots: readonly { family: SkillFamily }[]): SkillFamily[] {
  const families: SkillFamily[] = []
  for (const { family } of shots)
    if (!families.some((each) => isSameFamily(each, family))) families.push(family)
  return families
}
