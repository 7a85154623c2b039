import { broughtUp } from '../broughtUp.ts'
import { withoutHiddenLetters } from '../hiddenLetters.ts'
import type { PreparedKind } from './prepared.ts'

export type StoredContent = Record<string, unknown>

/** One step from the content of a version to that of the next. */
export type UpcastStep = (content: StoredContent, kind: PreparedKind) => StoredContent

/**
 * How contents that were stored by earlier versions become those of today, a step for each version from 1 on. A new
 * field of any kind gets a step here that says what it was before it was asked.
 */
export const UPCASTS: readonly UpcastStep[] = [
  // 2: names have no letters that nobody sees.
  (content) =>
    typeof content['name'] === 'string'
      ? { ...content, name: withoutHiddenLetters(content['name']) }
      : content,
]

/** The version in which contents are stored now. */
export const CONTENT_VERSION = UPCASTS.length + 1

/** A stored content as it would be stored now. */
export function upcast(
  kind: PreparedKind,
  content: StoredContent,
  version: number,
  steps: readonly UpcastStep[] = UPCASTS,
): StoredContent {
  const ofKind = steps.map((step) => (upTo: StoredContent) => step(upTo, kind))
  return broughtUp(content, version, ofKind)
}
