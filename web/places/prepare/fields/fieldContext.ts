import type { PreparedKind } from '@calm-apron/contract'
import { type ComputedRef, type InjectionKey, inject, provide } from 'vue'

/** What every field of one form needs beside its own spec. */
export interface FieldContext {
  kind: PreparedKind
  /** What is wrong, by path from the content. */
  issues: ComputedRef<Record<string, string>>
  /** What an id may be, by the field that holds it. */
  choices: ComputedRef<Record<string, readonly { value: string; label: string }[]>>
  /** Paths that the page shows in a way of its own. */
  omitted: readonly string[]
}

const KEY: InjectionKey<FieldContext> = Symbol('the fields of a form')

export function provideFields(context: FieldContext): void {
  provide(KEY, context)
}

/** @throws {Error} outside a form */
export function useFieldContext(): FieldContext {
  const context = inject(KEY, null)
  if (context === null) throw new Error('Fields belong inside a ThingForm.')
  return context
}
