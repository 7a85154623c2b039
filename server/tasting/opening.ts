import {
  type ShotInput,
  type Slip,
  type SlipInput,
  type SlipSide,
  type Tasting,
  askedBefore,
  teaches,
} from '@calm-apron/contract'
import type { Errand } from '../http/serve.ts'
import { listSlips, newestOf } from './queries.ts'

export type Sides = Tasting['sides']

/** How each side of a tasting stands. */
export function sidesOf(slips: readonly Slip[]): Sides {
  return { trainee: stateOf(slips, 'trainee'), trainer: stateOf(slips, 'trainer') }
}

function stateOf(slips: readonly Slip[], side: SlipSide): Sides[SlipSide] {
  const newest = newestOf(slips, side)
  if (newest === null) return 'waiting'
  return newest.taste === null ? 'skipped' : 'in'
}

/** Whether both sides have tasted or been skipped: from then on each sees the other. */
export function isOpen({ trainee, trainer }: Sides): boolean {
  return trainee !== 'waiting' && trainer !== 'waiting'
}

/**
 * Whether what was said of a shot may be read: where both notes are asked for, once both sides are in or skipped; else
 * by whomever its reading is not withheld from, for the call of whoever pulled.
 */
export function isOpenTo(
  shot: Parameters<typeof askedBefore>[0],
  sides: Sides,
  isReadingWithheld: boolean,
): boolean {
  return askedBefore(shot).notes ? isOpen(sides) : !isReadingWithheld
}

/** When they opened: as the first word of the later side arrived; null while one is waited for. */
export function openedAt(slips: readonly Slip[]): Date | null {
  if (!isOpen(sidesOf(slips))) return null
  const first = (side: SlipSide) =>
    Math.min(...slips.filter((each) => each.side === side).map((each) => Date.parse(each.receivedAt)))
  return new Date(Math.max(first('trainee'), first('trainer')))
}

/** What a slip is that arrives now: leaning on nobody, or after the others' could be read; and then, written before. */
export function standingOfNew(
  slips: readonly Slip[],
  { tastedAt }: Pick<SlipInput, 'tastedAt'>,
): Pick<Slip, 'isBlind' | 'isLate'> {
  const opened = openedAt(slips)
  return { isBlind: opened === null, isLate: opened !== null && new Date(tastedAt) < opened }
}

/** An assessment is over for whoever pulled once its slips are open; what they still send is the head's to decide. */
export async function isClosedTo(
  { actor, transaction }: Errand,
  { shotId, purpose }: Pick<ShotInput, 'purpose'> & { shotId: string },
): Promise<boolean> {
  if (purpose !== 'assessment' || teaches(actor.part)) return false
  return isOpen(sidesOf(await listSlips(transaction, shotId)))
}
