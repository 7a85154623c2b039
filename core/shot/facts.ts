import type { TasteTargets } from '../recipe/recipe.ts'
import type { DoseFact } from './doseSeen.ts'
import { type FactsOf, nothingOf } from './factKinds.ts'
import { FACTS } from './factTable.ts'
import type { ShotNotes } from './notes.ts'
import type { FirstDrop } from './seen.ts'

/** What is tasted on a scale from 0 to 10. */
export type TasteAxis = keyof typeof FACTS.taste
/** What is tasted on a scale, in the order in which it is asked for. */
export const TASTE_AXES = [
  'sour',
  'sweet',
  'bitter',
  'body',
  'dryness',
] as const satisfies readonly TasteAxis[]

/** A weight as it was read: net from a tared scale, or gross together with the vessel's empty weight. */
export type Weighing =
  | { by: 'net'; netG: number }
  | { by: 'gross'; grossG: number; tareG: number; vesselId: string | null }

/** The raw instants in s from pump start; `estimated` when a reload came between them, or they began at the first drop. */
export interface ShotClock {
  firstDrop: FirstDrop
  firstDropS: number | null
  /** When a pre-infusion held by hand was released; left out or null where none was, or nobody marked it. */
  preinfusionEndS?: number | null
  stopS: number
  /** When the last drip fell; left out or null where nobody waited for it. */
  lastDripS?: number | null
  estimated: boolean
}

/** What a scale under the cup saw: s from pump start, g in the cup. */
export interface ShotSample {
  timeS: number
  weightG: number
}

/** What a shot was meant to be where dialling in took it off its recipe, in g; null where it is the recipe's own. */
export interface ShotWanted {
  doseG: number | null
  yieldG: number | null
  /** What two trainers tasted when the setting was locked; left out where they didn't. */
  taste?: TasteTargets
}

/** What only some houses measure. */
export type ShotMeasures = FactsOf<typeof FACTS.measured>

/**
 * What was observed of one shot, as it was observed: the facts of the table, and those that have a shape of their own. `null`
 * is always "not known", never "fine". Taste axes run 0–10.
 */
export interface ShotFacts extends FactsOf<typeof FACTS.gate>, FactsOf<typeof FACTS.shot> {
  dose: DoseFact | null
  tamp: FactsOf<typeof FACTS.tamp>
  clock: ShotClock | null
  cup: Weighing | null
  taste: FactsOf<typeof FACTS.taste>
  look: FactsOf<typeof FACTS.look>
  /** Left out where it was meant as the recipe says. */
  wanted?: ShotWanted
  /** Left out where the house measures none of it. */
  measured?: ShotMeasures
  /** Left out where no scale that tells of itself stood under the cup. */
  samples?: readonly ShotSample[]
  /** What was noted at the bar beside what is judged first; left out where nothing was. */
  noted?: ShotNotes
}

/** Whether anything is known of a shot that only its pull can show. */
export function isPulled({ clock, cup, abandoned }: ShotFacts): boolean {
  return clock !== null || cup !== null || abandoned !== null
}

/** Facts of a shot of which nothing is known yet. */
export function unknownFacts(): ShotFacts {
  return {
    ...nothingOf(FACTS.gate),
    ...nothingOf(FACTS.shot),
    dose: null,
    tamp: nothingOf(FACTS.tamp),
    clock: null,
    cup: null,
    taste: nothingOf(FACTS.taste),
    look: nothingOf(FACTS.look),
  }
}
