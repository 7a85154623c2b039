import {
  type GrindHistoryQuery,
  type GrindSeenOn,
  type PreparedRecord,
  type ShotSummary,
  asKind,
  recordedOf,
  teaches,
} from '@calm-apron/contract'
import { type Recipe, grindSeen, isOfDialIn, readRecorded } from '@calm-apron/core'
import { together } from '../database/together.ts'
import { notThere } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { coffeesOfBags } from './coffeesOfBags.ts'
import { newestOnGrinder } from '../shots/grinderQueries.ts'
import { findRecipeRevisions, listShots } from '../shots/queries.ts'
import { findPrepared } from './queries.ts'

/** So many of each coffee’s dial-ins and of its other shots: ten trainees’ shots don’t push last week’s dial-in out. */
const NEWEST_OF_EACH = 40
const MOST_SHOTS = 500

/**
 * What shots of late tell of a grinder under a recipe, oldest first; nothing of who pulled them, and of those whose call
 * is waited for nothing at all to whoever is asked for it.
 * @throws {Refusal} `not-found` when it is no grinder, or there is no such recipe
 */
export async function grindHistory(
  errand: Errand,
  grinderId: string,
  { recipeRevisionId, exceptTrainingId, before }: GrindHistoryQuery,
): Promise<GrindSeenOn[]> {
  const { transaction, actor } = errand
  const [[record], [asked]] = await together([
    findPrepared(transaction, [grinderId]),
    findRecipeRevisions(transaction, [recipeRevisionId]),
  ])
  if (!record || asKind(record, 'grinder') === null || !asked) throw notThere()
  const shotIds = await newestOnGrinder(transaction, grinderId, {
    ofEach: NEWEST_OF_EACH,
    most: MOST_SHOTS,
    exceptTrainingId: exceptTrainingId ?? null,
    before: before ?? null,
    isOpenOnly: !teaches(actor.part),
  })
  const asListed = { shotIds, limit: MOST_SHOTS }
  const { shots, recipes } = await listShots(transaction, actor.academyId, asListed, null, false)
  const coffeeOf = await coffeesOfBags(errand, shots)
  return shots.toReversed().flatMap((shot): GrindSeenOn[] => {
    const [its, coffee] = [recipes.get(shot.recipeRevisionId)?.targets, coffeeOf.get(shot.bagId ?? '')]
    return its === undefined || coffee === undefined ? [] : seenOn(shot, its, asked.targets, coffee)
  })
}

function seenOn(shot: ShotSummary, its: Recipe, asked: Recipe, coffee: PreparedRecord): GrindSeenOn[] {
  const { stood, purpose } = shot
  const setting = shot.current.facts.grindSetting
  if (setting === null) return []
  const seen = grindSeen(readRecorded(recordedOf(shot), its), asked, {
    coffeeId: coffee.preparedId,
    basketId: stood.machine?.basketId ?? null,
    daysAgo: 0,
    setting,
    innerBurrAt: stood.grinder?.innerBurrAt ?? null,
    isDialIn: isOfDialIn(purpose),
  })
  if (seen === null || seen.timeS === null) return []
  const { daysAgo: _daysAgo, ...told } = seen
  return [{ pulledOn: stood.pulledOn, ...told }]
}
