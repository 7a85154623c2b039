import { broughtUp } from '../broughtUp.ts'
import { withoutHiddenLetters } from '../hiddenLetters.ts'
import type { PreparedKind } from './prepared.ts'

/** The content of a prepared thing as some version stored it. */
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
  // 3: nobody was asked what a machine's water is set to, nor at which setting a portion was weighed.
  (content, kind) => {
    if (kind === 'machine') return { setC: null, ...content }
    if (kind !== 'grinder' || !Array.isArray(content['portions'])) return content
    return { ...content, portions: content['portions'].map(withoutSetting) }
  },
]

function withoutSetting(portion: unknown): unknown {
  return typeof portion === 'object' ? { settingAt: null, ...portion } : portion
}

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
