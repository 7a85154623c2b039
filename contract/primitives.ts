import { z } from 'zod'
import { BOUNDS } from './bounds.ts'

/** Ids are made where the record is made, so that a write can be repeated safely. */
export const id = z.uuidv7()

export const name = z.string().trim().min(BOUNDS.nameLength.min).max(BOUNDS.nameLength.max)

/** A calendar date, `YYYY-MM-DD`. */
export const calendarDate = z.iso.date()

/** An instant with its offset, as the device or the server saw it. */
export const instant = z.iso.datetime({ offset: true })

/** A number inside bounds, in the unit its field is named after. */
export function within(bounds: { readonly min: number; readonly max: number }) {
  return z.number().min(bounds.min).max(bounds.max)
}

/** Adds one issue with a stable reason code beside the English message. */
export function refuse(
  context: z.core.$RefinementCtx,
  path: (string | number)[],
  reason: string,
  message: string,
): void {
  context.addIssue({ code: 'custom', path, message, params: { reason } })
}
