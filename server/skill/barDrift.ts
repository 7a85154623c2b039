import { type BarDrift, barDrifts } from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { shotsOfDay } from './queries.ts'
import { readerBy } from './readings.ts'

/** A bar that was left overnight is another one. */
const DAY_MS = 8 * 3_600_000

/** What runs off for everybody at the moment. */
export async function driftsNow(
  transaction: AcademyTransaction,
  academyId: string,
  now: Date,
): Promise<BarDrift[]> {
  const ofDay = await shotsOfDay(transaction, academyId, new Date(now.getTime() - DAY_MS))
  const read = readerBy(ofDay.recipes)
  const shots = ofDay.shots.toReversed().flatMap((summary) => {
    const { personId, pulledAt, grinderId, recipeRevisionId } = summary
    const readings = read(summary)
    if (grinderId === null || readings === null) return []
    return [{ personId, pulledAt, grinderId, recipeRevisionId, time: readings.time }]
  })
  return barDrifts(shots)
}
