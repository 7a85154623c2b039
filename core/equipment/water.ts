import { daysBetween } from '../coffee/age.ts'

/** Days until a water filter is due; below 0 when it is overdue, null where its date or its life isn't known. */
export function filterDaysLeft(
  changedOn: string | null,
  lastsDays: number | null,
  onDate: string,
): number | null {
  return changedOn === null || lastsDays === null ? null : lastsDays - daysBetween(changedOn, onDate)
}

/** Packets of minerals for a batch of distilled water, of which each is for so many litres; in halves, as one can pour them. */
export function packets(litres: number, packetLitres: number): number {
  return Math.round((2 * litres) / packetLitres) / 2
}

/** Minerals to weigh in for a batch of distilled water, in g. */
export function mineralsG(litres: number, mgPerLitre: number): number {
  return (litres * mgPerLitre) / 1000
}
