import type { BagContent } from '@calm-apron/contract'
import type { Frozen } from '@calm-apron/core'

/** When a bag was out of the warm, as core takes it; null where it never was. */
export function frozenOf({ frozenOn, thawedOn }: Pick<BagContent, 'frozenOn' | 'thawedOn'>): Frozen | null {
  return frozenOn === null ? null : { frozenOn, thawedOn }
}
