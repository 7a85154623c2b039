import type { Quantity } from '../units/quantity.ts'
import type { BarStep } from './barSteps.ts'

/** Lowest and highest value that is no slip of the finger, in the base unit. */
export interface FactBounds {
  readonly min: number
  readonly max: number
}

/** Where a fact is asked for, and how. */
export interface Asked {
  step: BarStep
  /** In sight, folded with the less usual, by a control of its own, or by a device and no hand. */
  place: 'first' | 'more' | 'own' | 'device'
  /** What was recorded says of it, too, that nobody knows. */
  isAlwaysSaid?: boolean
  /** Asked since a later release: left out of shots of which it is not known, as it is of those before. */
  isLater?: boolean
}

/** Seen, looked for and not there, or not checked. */
export interface AnswerFact extends Asked {
  kind: 'answer'
}
/** One of several. */
export interface ChoiceFact<O extends string = string> extends Asked {
  kind: 'choice'
  of: readonly O[]
}
/** Any of several. */
export interface SeveralFact<O extends string = string> extends Asked {
  kind: 'several'
  of: readonly O[]
}
/** A number in a quantity's base unit, in s, or of a scale that has no unit. */
export interface AmountFact extends Asked {
  kind: 'amount'
  unit: Quantity | 's' | 'none'
  bounds: FactBounds
}
/** A place on a scale from 0. */
export interface RatingFact extends Asked {
  kind: 'rating'
  bounds: FactBounds
  isWhole: boolean
}

/** A fact of the table, of whichever kind. */
export type FactRow = AnswerFact | ChoiceFact | SeveralFact | AmountFact | RatingFact
/** Facts by their names. */
export type FactRows = Readonly<Record<string, FactRow>>

/** What a row of the table holds; null is "not known". */
export type ValueOf<R> =
  R extends SeveralFact<infer O>
    ? O[]
    : R extends ChoiceFact<infer O>
      ? O | null
      : R extends AnswerFact
        ? boolean | null
        : number | null

/** The rows that are left out where nothing is known of them. */
export type LaterIn<T> = { [N in keyof T]: T[N] extends { isLater: true } ? N : never }[keyof T]
/** The values of some rows. */
export type FactsOf<T> = { [N in Exclude<keyof T, LaterIn<T>>]: ValueOf<T[N]> } & {
  [N in LaterIn<T>]?: ValueOf<T[N]>
}

/** Nothing known of some rows. */
export function nothingOf<T extends FactRows>(rows: T): FactsOf<T> {
  const asked = Object.entries(rows).filter(([, row]) => row.isLater !== true)
  // Object.fromEntries forgets which name has which value.
  return Object.fromEntries(
    asked.map(([name, row]) => [name, row.kind === 'several' ? [] : null]),
  ) as FactsOf<T>
}
