import { broughtUp } from '../broughtUp.ts'
import type { StoredContent } from './kinds/definedKind.ts'
import { kindOf } from './kinds/kindOf.ts'
import type { PreparedKind } from './kinds/kinds.ts'

/** The version in which contents of a kind are stored now. */
export function contentVersion(kind: PreparedKind): number {
  return kindOf(kind).steps.length + 1
}

/** A content as it would be stored now. */
export function upcast(kind: PreparedKind, content: StoredContent, version: number): StoredContent {
  return broughtUp(content, version, kindOf(kind).steps)
}
