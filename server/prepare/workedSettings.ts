import {
  PREPARED_CONTENT,
  type PreparedRevision,
  type WorkedSetting,
  asKind,
  recipeContent,
  upcast,
} from '@calm-apron/contract'
import { type InnerBurr, readShot, settingAfterBurrMove } from '@calm-apron/core'
import { notThere } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { toFacts } from '../shots/factsRow.ts'
import { findPrepared, listRevisions } from './queries.ts'
import { type ShotOnGrinder, shotsOnGrinder } from './useQueries.ts'

/** As far back as settings are looked for. */
const NEWEST_SHOTS = 300

/** Where the inner burr stood from an instant on; null where the grinder has none. */
interface BurrSince {
  sinceMs: number
  burr: InnerBurr | null
}

/**
 * Settings of a grinder at which shots ran in their window with nothing wrong before, by coffee, the last one first, as
 * they would read with the inner burr where it is now. Where nobody knows how far a move of it shifted the scale, what
 * was before is left out.
 * @throws {Refusal} `not-found` when it is no grinder
 */
export async function workedSettings(
  { actor, transaction }: Errand,
  grinderId: string,
): Promise<WorkedSetting[]> {
  const [record] = await findPrepared(transaction, [grinderId])
  const grinder = record && asKind(record, 'grinder')
  if (!grinder) throw notThere()
  const burrs = burrHistory(await listRevisions(transaction, grinderId))
  // That a shot of theirs worked would tell those who are asked for their call what they are asked.
  const isOpenOnly = actor.part === 'trainee'
  const shots = await shotsOnGrinder(transaction, grinderId, { limit: NEWEST_SHOTS, isOpenOnly })
  const byCoffee = new Map<string, { setting: number; shot: ShotOnGrinder }[]>()
  for (const shot of shots) {
    const setting = settingNow(shot, burrs, grinder.content.innerBurr)
    if (setting === null || !didWork(shot)) continue
    byCoffee.set(shot.coffeeId, [...(byCoffee.get(shot.coffeeId) ?? []), { setting, shot }])
  }
  return [...byCoffee.values()].flatMap(summed)
}

/** The positions of the inner burr, newest first; the first revision stands for all that was before it. */
function burrHistory(revisions: readonly PreparedRevision[]): BurrSince[] {
  return revisions.map(({ revisionNo, changedAt, content }) => ({
    sinceMs: revisionNo === 1 ? -Infinity : Date.parse(changedAt),
    burr: PREPARED_CONTENT.grinder.parse(content).innerBurr,
  }))
}

function settingNow(
  { facts, pulledAt }: ShotOnGrinder,
  burrs: readonly BurrSince[],
  now: InnerBurr | null,
): number | null {
  const then = burrs.find(({ sinceMs }) => sinceMs <= pulledAt.getTime())?.burr ?? null
  if (facts.grindSetting === null || then === null || now === null) return facts.grindSetting
  return settingAfterBurrMove(facts.grindSetting, then, now)
}

function didWork({ facts, recipeContent: content, recipeVersion }: ShotOnGrinder): boolean {
  const { targets } = recipeContent.parse(upcast('recipe', content, recipeVersion))
  const { flow, gate } = readShot(toFacts(facts), targets)
  return flow.state === 'on' && gate.passed
}

function summed(worked: { setting: number; shot: ShotOnGrinder }[]): WorkedSetting[] {
  const [newest] = worked
  const settings = worked.map(({ setting }) => setting).sort((a, b) => a - b)
  const [lowest, median, highest] = [settings[0], settings[Math.floor(settings.length / 2)], settings.at(-1)]
  if (!newest || lowest === undefined || median === undefined || highest === undefined) return []
  const { coffeeId, coffeeContent, pulledAt } = newest.shot
  return [
    {
      coffeeId,
      coffeeName: String(coffeeContent['name']),
      lowest,
      median,
      highest,
      shots: settings.length,
      lastAt: pulledAt.toISOString(),
    },
  ]
}
