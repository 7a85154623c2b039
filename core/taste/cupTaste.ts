import type { TasteAxis } from '../shot/facts.ts'

type Taste = Record<TasteAxis, number | null>
/** What both sides tasted; null for a side that didn't. */
export interface Slips {
  trainee: Taste | null
  trainer: Taste | null
}

/** Whose taste a cup is read by: the trainer's slip, else the trainee's, else whoever noted it with the shot. */
export function tastedBy({ trainer, trainee }: Slips): 'trainer' | 'trainee' | 'noted' {
  if (trainer !== null) return 'trainer'
  return trainee === null ? 'noted' : 'trainee'
}

/** What a cup is read as tasting of. */
export function cupTaste(noted: Taste, slips: Slips): Taste {
  const by = tastedBy(slips)
  return (by === 'noted' ? null : slips[by]) ?? noted
}
