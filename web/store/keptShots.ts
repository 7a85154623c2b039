import type { RecipeRevision, ShotDetail, ShotSummary } from '@calm-apron/contract'
import { deviceDatabase } from './deviceDatabase.ts'

const KEPT_DAYS = 60
const MS_PER_DAY = 86_400_000

/** Keeps shots as this viewer was told of them, for when the server can't be asked. */
export async function keepShots(viewerId: string, details: readonly ShotDetail[]): Promise<void> {
  const transaction = (await deviceDatabase()).transaction('shots', 'readwrite')
  await Promise.all([
    ...details.map((detail) => transaction.store.put({ viewerId, detail })),
    transaction.done,
  ])
}

/** A list's row as a shot of which only the newest revision is known. */
export function asDetail(shot: ShotSummary, recipe: RecipeRevision): ShotDetail {
  return { ...shot, recipe, revisions: [shot.current] }
}

export async function keptShot(viewerId: string, shotId: string): Promise<ShotDetail | null> {
  return (await (await deviceDatabase()).get('shots', [viewerId, shotId]))?.detail ?? null
}

/** All shots this viewer was told of, newest first. */
export async function keptShotsOf(viewerId: string): Promise<ShotDetail[]> {
  const all = await (await deviceDatabase()).getAllFromIndex('shots', 'pulledAt')
  return all
    .filter((kept) => kept.viewerId === viewerId)
    .map(({ detail }) => detail)
    .reverse()
}

/** Forgets shots of long ago. @param now as `Date.now()` gives it */
export async function dropOldShots(now: number): Promise<void> {
  const until = new Date(now - KEPT_DAYS * MS_PER_DAY).toISOString()
  const transaction = (await deviceDatabase()).transaction('shots', 'readwrite')
  for (const key of await transaction.store.index('pulledAt').getAllKeys(IDBKeyRange.upperBound(until)))
    await transaction.store.delete(key)
  await transaction.done
}
