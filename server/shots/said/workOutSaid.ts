import { setImmediate } from 'node:timers/promises'
import { type RecipeRevision, type ShotSummary, isBeforeInSession, recordedOf } from '@calm-apron/contract'
import {
  type Cause,
  RULES_VERSION,
  type ReadingKind,
  diagnose,
  grindBefore,
  readRecorded,
} from '@calm-apron/core'
import { inAcademy } from '../../database/inAcademy.ts'
import type { AcademyTransaction } from '../../database/pool.ts'
import type { House } from '../../house.ts'
import { lastRulings } from '../../skill/queries.ts'
import { findRecipeRevisions } from '../queries.ts'
import { type Said, academiesBehind, claimBehind, keepSaid, readBeside, withShotsBefore } from './queries.ts'

/** Few at a time: whoever corrects one of them waits until they are done. */
const AT_ONCE = 24

/** Works out what every shot is said to be that is behind; what another server has in hand is left to it. */
export async function workOutSaid(
  { database }: Pick<House, 'database'>,
  stopping: AbortSignal | null = null,
): Promise<void> {
  for (const academyId of await academiesBehind(database, RULES_VERSION)) {
    let done: number
    do {
      done = await inAcademy(database, academyId, (transaction) => workOutSome(transaction, academyId))
    } while (done === AT_ONCE && stopping?.aborted !== true)
  }
}

async function workOutSome(transaction: AcademyTransaction, academyId: string): Promise<number> {
  const claimed = await claimBehind(transaction, RULES_VERSION, AT_ONCE)
  if (claimed.length === 0) return 0
  // Whatever is read beside them is read anew with them.
  const shotIds = [...claimed, ...(await readBeside(transaction, claimed, RULES_VERSION))]
  const around = await withShotsBefore(transaction, academyId, shotIds)
  const recipes = await findRecipeRevisions(
    transaction,
    around.map(({ recipeRevisionId }) => recipeRevisionId),
  )
  const byId = new Map(recipes.map((recipe) => [recipe.recipeRevisionId, recipe]))
  const rulings = await lastRulings(transaction, shotIds)
  const said: Said[] = []
  for (const shot of around) {
    const recipe = byId.get(shot.recipeRevisionId)
    if (recipe === undefined || !shotIds.includes(shot.shotId)) continue
    said.push(saidOf(shot, recipe, around, rulings.get(shot.shotId)?.cause ?? null))
    // Whoever asks meanwhile is answered between two of them.
    await setImmediate()
  }
  await keepSaid(transaction, said, RULES_VERSION)
  return claimed.length
}

/** As its page says it: read beside the shots before it. */
function saidOf(
  shot: ShotSummary,
  { targets }: RecipeRevision,
  around: readonly ShotSummary[],
  ruled: Cause | null,
): Said {
  const recorded = recordedOf(shot)
  const onGrinder = around.filter(({ grinderId }) => grinderId !== null && grinderId === shot.grinderId)
  const moved = grindBefore(recorded, onGrinder.map(recordedOf))
  const readings = readRecorded(recorded, targets, moved.grindMoved, moved.changed)
  const before = around
    .filter((other) => other.personId === shot.personId && isBeforeInSession(other, shot))
    .toReversed()
  const setting = shot.current.facts.grindSetting
  const { named } = diagnose(
    readings,
    { setting, grinder: null, ranAt: moved.ranAt },
    before.map((each) => readRecorded(recordedOf(each), targets)),
  )
  const [first = null] = named.causes
  const stands = (kind: ReadingKind) => {
    const reading = readings[kind]
    return reading.judged ? reading.standing : null
  }
  return {
    shotId: shot.shotId,
    dose: stands('dose'),
    tamp: stands('tamp'),
    yield: stands('yield'),
    time: stands('time'),
    taste: stands('taste'),
    cause: ruled ?? first,
  }
}
