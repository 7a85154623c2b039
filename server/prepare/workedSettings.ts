import {
  PREPARED_CONTENT,
  type PreparedRecord,
  type PreparedRevision,
  type RecipeRevision,
  type ShotSummary,
  type WorkedSetting,
  asKind,
  recordedOf,
  teaches,
} from '@calm-apron/contract'
import { type InnerBurr, readRecorded, settingAfterBurrMove } from '@calm-apron/core'
import { notThere } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { findRecipeRevisions, listShots } from '../shots/queries.ts'
import { coffeesOfBags } from './coffeesOfBags.ts'
import { findPrepared, listRevisions } from './queries.ts'

/** As far back as settings are looked for. */
const NEWEST_SHOTS = 300

/** Where the inner burr stood from an instant on; null where the grinder has none. */
interface BurrSince {
  sinceMs: number
  burr: InnerBurr | null
}

interface Worked {
  setting: number
  pulledAt: string
}

/**
 * Settings of a grinder at which shots ran in their window with nothing wrong before, by coffee, the last one first, as
 * they would read with the inner burr where it is now. Where nobody knows how far a move of it shifted the scale, what
 * was before is left out.
 * @throws {Refusal} `not-found` when it is no grinder
 */
export async function workedSettings(errand: Errand, grinderId: string): Promise<WorkedSetting[]> {
  const { transaction } = errand
  const [record] = await findPrepared(transaction, [grinderId])
  const grinder = record && asKind(record, 'grinder')
  if (!grinder) throw notThere()
  const burrs = burrHistory(await listRevisions(transaction, grinderId))
  const shots = await shotsThatWorked(errand, grinderId)
  const coffeeOf = await coffeesOfBags(errand, shots)
  const byCoffee = new Map<PreparedRecord, Worked[]>()
  for (const { bagId, pulledAt, current } of shots) {
    const coffee = coffeeOf.get(bagId ?? '')
    const setting = settingNow(current.facts.grindSetting, pulledAt, burrs, grinder.content.innerBurr)
    if (setting === null || coffee === undefined) continue
    byCoffee.set(coffee, [...(byCoffee.get(coffee) ?? []), { setting, pulledAt }])
  }
  return [...byCoffee].flatMap(([coffee, worked]) => summed(coffee, worked))
}

/** Newest first; of those who are asked for their call only what tells them nothing of it. */
async function shotsThatWorked({ actor, transaction }: Errand, grinderId: string): Promise<ShotSummary[]> {
  const query = { grinderId, limit: NEWEST_SHOTS }
  const listed = await listShots(transaction, actor.academyId, query, null, !teaches(actor.part))
  const shots = listed.slice(0, NEWEST_SHOTS)
  const recipes = await findRecipeRevisions(
    transaction,
    shots.map(({ recipeRevisionId }) => recipeRevisionId),
  )
  const recipeOf = new Map(recipes.map((each) => [each.recipeRevisionId, each]))
  return shots.filter((shot) => !shot.isSimulated && didWork(shot, recipeOf.get(shot.recipeRevisionId)))
}

function didWork(shot: ShotSummary, recipe: RecipeRevision | undefined): boolean {
  if (recipe === undefined) return false
  const { flow, gate } = readRecorded(recordedOf(shot), recipe.targets)
  return flow.state === 'on' && gate.passed
}

/** The positions of the inner burr, newest first; the first revision stands for all that was before it. */
function burrHistory(revisions: readonly PreparedRevision[]): BurrSince[] {
  return revisions.map(({ revisionNo, changedAt, content }) => ({
    sinceMs: revisionNo === 1 ? -Infinity : Date.parse(changedAt),
    burr: PREPARED_CONTENT.grinder.parse(content).innerBurr,
  }))
}

function settingNow(
  setting: number | null,
  pulledAt: string,
  burrs: readonly BurrSince[],
  now: InnerBurr | null,
): number | null {
  const then = burrs.find(({ sinceMs }) => sinceMs <= Date.parse(pulledAt))?.burr ?? null
  if (setting === null || then === null || now === null) return setting
  return settingAfterBurrMove(setting, then, now)
}

function summed({ preparedId: coffeeId, content }: PreparedRecord, worked: Worked[]): WorkedSetting[] {
  const [newest] = worked
  const settings = worked.map(({ setting }) => setting).sort((a, b) => a - b)
  const [lowest, median, highest] = [settings[0], settings[Math.floor(settings.length / 2)], settings.at(-1)]
  if (!newest || lowest === undefined || median === undefined || highest === undefined) return []
  const coffeeName = String(content['name'])
  const shots = settings.length
  return [{ coffeeId, coffeeName, lowest, median, highest, shots, lastAt: newest.pulledAt }]
}
