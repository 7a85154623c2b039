import {
  type PreparedRecord,
  type RecipeRevision,
  type ShotSummary,
  type WorkedSetting,
  type WorkedSettings,
  asKind,
  recordedOf,
  teaches,
} from '@calm-apron/contract'
import {
  type InnerBurr,
  readRecorded,
  retentionG,
  settingAfterBurrMove,
  weighedDoseG,
} from '@calm-apron/core'
import { notThere } from '../doors/actor.ts'
import type { Errand } from '../http/serve.ts'
import { listShots } from '../shots/queries.ts'
import { coffeesOfBags } from './coffeesOfBags.ts'
import { findPrepared } from './queries.ts'

/** As far back as settings are looked for. */
const NEWEST_SHOTS = 300
/** So many weigh-ins say what a grinder keeps. */
const NEWEST_WEIGHED = 20

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
export async function workedSettings(errand: Errand, grinderId: string): Promise<WorkedSettings> {
  const { transaction } = errand
  const [record] = await findPrepared(transaction, [grinderId])
  const grinder = record && asKind(record, 'grinder')
  if (!grinder) throw notThere()
  const { pulled, shots } = await shotsOfGrinder(errand, grinderId)
  const coffeeOf = await coffeesOfBags(errand, shots)
  const byCoffee = new Map<PreparedRecord, Worked[]>()
  for (const shot of shots) {
    const { bagId, pulledAt } = shot
    const coffee = coffeeOf.get(bagId ?? '')
    const setting = settingNow(shot, grinder.content.innerBurr)
    if (setting === null || coffee === undefined) continue
    byCoffee.set(coffee, [...(byCoffee.get(coffee) ?? []), { setting, pulledAt }])
  }
  return {
    settings: [...byCoffee].flatMap(([coffee, worked]) => summed(coffee, worked)),
    retainedG: pulled.flatMap(retainedIn).slice(0, NEWEST_WEIGHED),
  }
}

/** What stayed in the grinder, where beans and grounds were weighed. */
function retainedIn({ current: { facts } }: ShotSummary): number[] {
  const [beansInG, doseG] = [facts.noted?.beansInG ?? null, weighedDoseG(facts)]
  return beansInG === null || doseG === null ? [] : [retentionG(beansInG, doseG)]
}

/** Pulled for real, and those of them that worked, newest first; of those who are asked for their call only what tells them nothing of it. */
async function shotsOfGrinder({ actor, transaction }: Errand, grinderId: string) {
  const query = { grinderId, limit: NEWEST_SHOTS }
  const listed = await listShots(transaction, actor.academyId, query, null, !teaches(actor.part))
  const shots = listed.shots.slice(0, NEWEST_SHOTS)
  const pulled = shots.filter(({ isSimulated }) => !isSimulated)
  return { pulled, shots: pulled.filter((shot) => didWork(shot, listed.recipes.get(shot.recipeRevisionId))) }
}

function didWork(shot: ShotSummary, recipe: RecipeRevision | undefined): boolean {
  if (recipe === undefined) return false
  const { flow, gate } = readRecorded(recordedOf(shot), recipe.targets)
  return flow.state === 'on' && gate.passed
}

/** As the scale reads now; null where nobody knows how far a move of the inner burr shifted it. */
function settingNow({ current, stood }: ShotSummary, now: InnerBurr | null): number | null {
  const setting = current.facts.grindSetting
  const at = stood.grinder?.innerBurrAt ?? null
  if (setting === null || at === null || now === null) return setting
  return settingAfterBurrMove(setting, { ...now, at }, now)
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
