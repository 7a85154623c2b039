import type { Readings } from '../reading/types.ts'
import type { ReadingKind } from '../skill/types.ts'
import type { Move } from './types.ts'

const CHANGES: Record<Move['lever'], ReadingKind | null> = {
  leave: null,
  again: null,
  observe: null,
  grind: 'time',
  burrs: 'time',
  purge: 'time',
  'fresh-grounds': 'time',
  bag: 'time',
  dose: 'dose',
  tamp: 'tamp',
  distribution: 'tamp',
  dry: 'tamp',
  stop: 'yield',
  ratio: 'yield',
  basket: 'yield',
  heat: 'taste',
  cool: 'taste',
  cycle: 'taste',
  clean: 'taste',
  rest: 'taste',
  coffee: 'taste',
  water: 'taste',
}

/** The reading that a move is about; null for one that changes nothing. */
export function readingChangedBy({ lever }: Pick<Move, 'lever'>): ReadingKind | null {
  return CHANGES[lever]
}

/** The reading that says most for whoever pulled: the taste first, the dose last. */
const WORTH_SAYING: readonly ReadingKind[] = ['taste', 'time', 'yield', 'tamp', 'dose']

/** One reading that was right, besides the one to change; null where none was. */
export function oneThingRight(readings: Readings, changes: ReadingKind | null): ReadingKind | null {
  const isRight = (kind: ReadingKind) => {
    const reading = readings[kind]
    if (kind === 'taste' && readings.of.context.tongue === 'learning') return false
    return kind !== changes && reading.judged && reading.standing === 'on'
  }
  return WORTH_SAYING.find(isRight) ?? null
}
