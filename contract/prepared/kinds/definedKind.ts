import type { z } from 'zod'
import { withoutHiddenLetters } from '../../hiddenLetters.ts'

/** One id that a thing names: where it stands, and of what kind the thing behind it must be. */
export interface NamedThing {
  path: string
  kind: string
  preparedId: string
}

/** Who keeps a thing locked, and the field of its content that says so, with their id under `personId`. */
export interface Keeper {
  path: string
  personId: string
}

/** The content of a prepared thing as some version stored it. */
export type StoredContent = Record<string, unknown>

/** One step from the content of a version to that of the next. */
export type UpcastStep = (content: StoredContent) => StoredContent

/** What a new one begins as; null for what only its owner knows. */
type Begun<C> = { [F in keyof C]: C[F] | null }

/**
 * All that the rest of the program must know of one kind of prepared thing. What is left out is so of most kinds: it names
 * nothing, is never used up, nobody locks it.
 */
export interface KindDefinition<
  S extends z.ZodObject = z.ZodObject,
  P extends string | null = string | null,
> {
  /** All that is said of one; it has a name. */
  content: S
  /** The kind that it belongs to; null: to nothing. */
  parent: P
  /** What a new one begins as where it is made by a form of its own kind alone; null: it is made in a place of its own. */
  begins: Begun<z.infer<S>> | null
  /** What a part that is null, or a further one of a list, begins as when somebody adds it; by the part's name. */
  parts?: Readonly<Record<string, (now: Date) => object>>
  /** Kinds that its content names by id. */
  namedKinds?: readonly string[]
  // Written as methods, so that a definition of one kind may stand where any kind's is asked for.
  /** What its content names, with paths within the content. */
  names?(content: z.infer<S>): readonly NamedThing[]
  /** The calendar date on which it was used up; null while it is there. */
  overOn?(content: z.infer<S>): string | null
  /** Who alone, beside a head, may change it, and the field that says so; null: whoever prepares. */
  keeper?(content: z.infer<S>): Keeper | null
  /** Whether heads alone make and change it. */
  isHeads?: boolean
  /**
   * How contents that were stored by earlier versions become those of today, a step for each version from 1 on. A new
   * field gets a step that says what it was before it was asked.
   */
  steps: readonly UpcastStep[]
}

/** A kind as it is defined, with the types of its parts kept. */
export function definedKind<S extends z.ZodObject, const P extends string | null>(
  definition: KindDefinition<S, P>,
): KindDefinition<S, P> {
  return definition
}

/** Version 2: names have no letters that nobody sees. */
const withCleanName: UpcastStep = (content) =>
  typeof content['name'] === 'string' ? { ...content, name: withoutHiddenLetters(content['name']) } : content

const asItWas: UpcastStep = (content) => content

/** The steps of the kinds of the first release, which then had one version for all, up to 3; `third` where that changed it. */
export function firstSteps(third: UpcastStep = asItWas): readonly UpcastStep[] {
  return [withCleanName, third]
}

/** A basket that is named at a path; none where none is. */
export function namedBasket(path: string, preparedId: string | null): NamedThing[] {
  return preparedId === null ? [] : [{ path, kind: 'basket', preparedId }]
}
