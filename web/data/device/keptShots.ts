import {
  type RecipeRevision,
  type ShotDetail,
  type ShotListQuery,
  type ShotSummary,
  readAnswer,
  shotDetail,
} from '@calm-apron/contract'
import { type KeptShot, asPlain, deviceDatabase } from './deviceDatabase.ts'
import { writeOnDevice } from './writeOnDevice.ts'

const KEPT_DAYS = 60
const MS_PER_DAY = 86_400_000

/** Which shots; what is left out asks for all. */
export type ShotsWanted = Partial<Omit<ShotListQuery, 'limit' | 'cursor'>>

/** By which of it a device can tell by itself what belongs to a list; by all else only the server looks for them. */
const TOLD_HERE: Readonly<Record<keyof ShotsWanted, ((shot: ShotSummary) => unknown) | null>> = {
  personId: ({ personId }) => personId,
  grinderId: ({ grinderId }) => grinderId,
  trainingId: ({ trainingId }) => trainingId,
  bagId: ({ bagId }) => bagId,
  purpose: ({ purpose }) => purpose,
  before: ({ pulledAt }) => pulledAt,
  coffeeId: null,
  recipeId: null,
  reading: null,
  standing: null,
  cause: null,
  from: null,
  until: null,
  text: null,
}

function conditionsOf(wanted: ShotsWanted) {
  // Its keys are those of its type.
  return (Object.keys(wanted) as (keyof ShotsWanted)[]).filter((name) => wanted[name] !== undefined)
}

/** Whether this device can say by itself which shots are meant. */
export function isToldHere(wanted: ShotsWanted): boolean {
  return conditionsOf(wanted).every((name) => TOLD_HERE[name] !== null)
}

/** Keeps shots as this viewer was told of them, for when the server can't be asked. */
export async function keepShots(
  viewerId: string,
  details: readonly ShotDetail[],
  askedAtMs: number,
): Promise<void> {
  await writeOnDevice(['shots'], (store) =>
    details.map((detail) => store('shots').put(asPlain({ viewerId, detail, askedAtMs }))),
  )
}

/** A list's row as a shot of which only the newest revision is known. */
export function asDetail(shot: ShotSummary, recipe: RecipeRevision): ShotDetail {
  return { ...shot, recipe, revisions: [shot.current] }
}

export async function keptShot(viewerId: string, shotId: string): Promise<KeptShot | null> {
  return readKept(await (await deviceDatabase()).get('shots', [viewerId, shotId]))
}

export async function forgetShot(viewerId: string, shotId: string): Promise<void> {
  await writeOnDevice(['shots'], (store) => [store('shots').delete([viewerId, shotId])])
}

/** The newest of those that this viewer was told of, newest first. */
export async function keptShotsOf(viewerId: string, wanted: ShotsWanted, limit: number): Promise<KeptShot[]> {
  const [index, ...about] = indexFor(wanted)
  const store = (await deviceDatabase()).transaction('shots').store.index(index)
  const theirs = IDBKeyRange.bound([viewerId, ...about], [viewerId, ...about, []])
  const found: KeptShot[] = []
  let cursor = await store.openCursor(theirs, 'prev')
  for (; cursor !== null && found.length < limit; cursor = await cursor.continue()) {
    const kept = readKept(cursor.value)
    if (kept !== null && isWanted(kept.detail, wanted)) found.push(kept)
  }
  return found
}

/** Whether a shot is one of those that are meant; of none, where only the server could tell. */
export function isWanted(shot: ShotSummary, wanted: ShotsWanted): boolean {
  return conditionsOf(wanted).every((name) => {
    const is = TOLD_HERE[name]?.(shot)
    if (name === 'before') return typeof is === 'string' && Date.parse(is) < Date.parse(wanted.before ?? '')
    return is === wanted[name]
  })
}

function indexFor({ trainingId, grinderId, personId }: ShotsWanted) {
  if (trainingId !== undefined) return ['inTraining', trainingId] as const
  if (personId !== undefined) return ['ofPerson', personId] as const
  return grinderId === undefined ? (['ofViewer'] as const) : (['onGrinder', grinderId] as const)
}

/** What another release kept and can't be read as a shot of today's is not known. */
function readKept(kept: KeptShot | undefined): KeptShot | null {
  if (kept === undefined) return null
  const read = readAnswer(shotDetail, kept.detail)
  return read.success ? { ...kept, detail: read.data } : null
}

/** Forgets shots of long ago. @param now as `Date.now()` gives it */
export async function dropOldShots(now: number): Promise<void> {
  const until = new Date(now - KEPT_DAYS * MS_PER_DAY).toISOString()
  const transaction = (await deviceDatabase()).transaction('shots', 'readwrite')
  for (const key of await transaction.store.index('pulledAt').getAllKeys(IDBKeyRange.upperBound(until)))
    await transaction.store.delete(key)
  await transaction.done
}
