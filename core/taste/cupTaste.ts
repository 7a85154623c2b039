import type { TasteAxis } from '../shot/facts.ts'

type Taste = Record<TasteAxis, number | null>

/** What a cup is read as tasting of: the trainer's slip, else the trainee's, else what was noted with the shot. */
export function cupTaste(noted: Taste, slips: { trainee: Taste | null; trainer: Taste | null }): Taste {
  return slips.trainer ?? slips.trainee ?? noted
}
