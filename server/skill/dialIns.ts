import { type RecipeRevision, type ShotSummary, asKind, recordedOf } from '@calm-apron/contract'
import {
  type DialInGrinder,
  type DialInsDone,
  type GrindKnown,
  dialInsDone,
  inSessions,
  readRecorded,
  sessionShot,
} from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { findPrepared } from '../prepare/queries.ts'
import { recipesOf } from '../shots/queries.ts'
import { dialInShots } from './queries.ts'

/** The newest of them: as anybody dials in now, and no longer to work out than the rest of their figures. */
const MOST_DIAL_INS = 10

/** How somebody dials in, by their shots for it: those of a session on one grinder by one recipe from one bag are one. */
export async function dialInsOf(
  transaction: AcademyTransaction,
  academyId: string,
  personId: string,
): Promise<DialInsDone> {
  const shots = await dialInShots(transaction, academyId, personId)
  const grinderIds = [...new Set(shots.flatMap(({ grinderId }) => grinderId ?? []))]
  const grinders = new Map<string, DialInGrinder>()
  for (const record of grinderIds.length === 0 ? [] : await findPrepared(transaction, grinderIds)) {
    const grinder = asKind(record, 'grinder')
    // What its scale does to the time is learnt from its shots, not known before.
    if (grinder) grinders.set(record.preparedId, { ...grinder.content, lnTimePerUnit: null })
  }
  const recipes = await recipesOf(transaction, shots)
  const known = inSessions(shots.toReversed(), isSameDialIn)
    .slice(-MOST_DIAL_INS)
    .flatMap((session) => knownOf(session, recipes, grinders) ?? [])
  return dialInsDone(known)
}

const isSameDialIn = (one: ShotSummary, other: ShotSummary) =>
  one.grinderId === other.grinderId &&
  one.recipeRevisionId === other.recipeRevisionId &&
  one.bagId === other.bagId

function knownOf(
  shots: readonly ShotSummary[],
  recipes: ReadonlyMap<string, RecipeRevision>,
  grinders: ReadonlyMap<string, DialInGrinder>,
): GrindKnown | null {
  const [first] = shots
  const recipe = recipes.get(first?.recipeRevisionId ?? '')?.targets
  const grinder = grinders.get(first?.grinderId ?? '')
  if (recipe === undefined || grinder === undefined) return null
  const coffeeId = first?.bagId ?? ''
  const session = shots.flatMap((shot) => {
    const setting = shot.current.facts.grindSetting
    if (setting === null) return []
    const { machine, grinder: then } = shot.stood
    const where = {
      coffeeId,
      basketId: machine?.basketId ?? null,
      daysAgo: 0,
      setting,
      innerBurrAt: then?.innerBurrAt ?? null,
      isDialIn: true,
    }
    return sessionShot(readRecorded(recordedOf(shot), recipe), recipe, where, []) ?? []
  })
  const basketId = first?.stood.machine?.basketId ?? null
  return {
    history: [],
    session,
    recipe,
    grinder,
    wish: { coffeeId, basketId, doseRangeG: null, pricePerKg: null },
  }
}
