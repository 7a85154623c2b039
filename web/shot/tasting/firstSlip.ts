import type { Slip, SlipSide } from '@calm-apron/contract'
import { v7 as uuidv7 } from 'uuid'

/** The first slip of one side of a shot, as it is sent; `taste` null: this side won't taste. */
export function firstSlip(shotId: string, side: SlipSide, filledBy: string, taste: Slip['taste']) {
  const tastedAt = new Date().toISOString()
  const body = { filledBy, side, basedOnNo: 0, reason: null, taste, tastedAt }
  return { kind: 'slip' as const, shotId, slipId: uuidv7(), body }
}
