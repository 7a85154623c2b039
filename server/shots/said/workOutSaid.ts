import { setImmediate } from 'node:timers/promises'
import { type RecipeRevision, type ShotSummary, isBeforeInSession, recordedOf } from '@calm-apron/contract'
import {
  type Cause,
  RULES_VERSION,
  type ReadingKind,
  type RecordedShot,
  causesNamed,
  readOnGrinder,
  readRecorded,
} from '@calm-apron/core'
import { inAcademy } from '../../database/inAcademy.ts'
import type { AcademyTransaction } from '../../database/pool.ts'
import { together } from '../../database/together.ts'
import type { House } from '../../house.ts'
import { lastRulings } from '../../skill/queries.ts'
import { type Said, academiesBehind, claimBehind, keepSaid, readBeside, withShotsBefore } from './queries.ts'

/** Few at a time: whoever corrects one of them waits until they are done. */
const AT_ONCE = 24

/** Works out what every shot is said to be that is behind; what another server has in hand is left to it. */
export async function workOutSaid(
  { database }: Pick<House, 'database'>,
  stopping: AbortSignal | null = null,
): Promise<void> {
  for (const academyId of await academiesBehind(database, RULES_VERSION)) {
    let done = AT_ONCE
    while (done === AT_ONCE && stopping?.aborted !== true)
      done = await inAcademy(database, academyId, (transaction) => workOutSome(transaction, academyId))
  }
}

async function workOutSome(transaction: AcademyTransaction, academyId: string): Promise<number> {
  const claimed = await claimBehind(transaction, RULES_VERSION, AT_ONCE)
  if (claimed.length === 0) return 0
  // Whatever is read beside them is read anew with them.
  const shotIds = [...claimed, ...(await readBeside(transaction, claimed, RULES_VERSION))]
  const [around, rulings] = await together([
    withShotsBefore(transaction, academyId, shotIds),
    lastRulings(transaction, shotIds),
  ])
  const { recipes } = around
  const all = around.shots.map((shot): Around => ({ shot, recorded: recordedOf(shot) }))
  const said: Said[] = []
  for (const each of all) {
    const { shotId, recipeRevisionId } = each.shot
    const recipe = recipes.get(recipeRevisionId)
    if (recipe === undefined || !shotIds.includes(shotId)) continue
    said.push(saidOf(each, recipe, all, rulings.get(shotId)?.cause ?? null))
    // Whoever asks meanwhile is answered between two of them.
    await setImmediate()
  }
  await keepSaid(transaction, said, RULES_VERSION)
  return claimed.length
}

/** A shot, and the same as core reads it: its curve is unpacked once, however many are read beside it. */
interface Around {
  shot: ShotSummary
  recorded: RecordedShot
}

/** As its page says it: read beside the shots before it. */
function saidOf(
  { shot, recorded }: Around,
  { targets }: RecipeRevision,
  around: readonly Around[],
  ruled: Cause | null,
): Said {
  const onGrinder = around.filter(
    ({ shot: { grinderId } }) => grinderId !== null && grinderId === shot.grinderId,
  )
  const { readings, ranAt } = readOnGrinder(
    recorded,
    targets,
    onGrinder.map((each) => each.recorded),
  )
  const before = around
    .filter(({ shot: other }) => other.personId === shot.personId && isBeforeInSession(other, shot))
    .toReversed()
  const setting = shot.current.facts.grindSetting
  const {
    causes: [first = null],
  } = causesNamed(
    readings,
    { setting, grinder: null, ranAt },
    before.map((each) => readRecorded(each.recorded, targets)),
  )
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
