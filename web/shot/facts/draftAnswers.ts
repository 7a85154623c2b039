import type { FactPart } from '@calm-apron/core'
import type { ShotDraft } from '../draft/shotDraft.ts'
import type { PlacedRow, TypedFact } from './factRows.ts'

/** What can be said of a fact that is not typed. */
export type Answer = boolean | string | number | string[] | null

/** Where a draft keeps the answers of each part of the table of facts. */
export function answersOf(draft: ShotDraft): Record<FactPart, object> {
  const { gate, tamp, look, taste, measured, noted } = draft
  return { gate, shot: draft, tamp, look, taste, measured, noted }
}

/** What a draft says of a fact; null where it says nothing. */
export function answerIn(draft: ShotDraft, { part, name }: Pick<PlacedRow, 'part' | 'name'>): Answer {
  // What stands under a row's name is what the row holds.
  return (Reflect.get(answersOf(draft)[part], name) as Answer | undefined) ?? null
}

/** Says something of a fact in a draft. */
export function answered(
  draft: ShotDraft,
  { part, name }: Pick<PlacedRow, 'part' | 'name'>,
  answer: Answer,
): void {
  Reflect.set(answersOf(draft)[part], name, answer)
}

/** What was typed of a fact. */
export function textIn(draft: ShotDraft, name: string): string {
  // A row that is newer than the draft was typed nothing of.
  return (draft.texts as Partial<Record<string, string>>)[name] ?? ''
}

/** Types something of a fact in a draft. */
export function typedAs(draft: ShotDraft, name: string, text: string): void {
  // Names are those of the rows.
  draft.texts[name as TypedFact] = text
}
