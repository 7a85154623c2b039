import { z } from 'zod'
import { BOUNDS, DEFAULT_PAGE_SIZE } from './bounds.ts'
import { hasHiddenLetters } from './hiddenLetters.ts'

/** Ids are made where the record is made, so that a write can be repeated safely. */
export const id = z.uuidv7()

// Control characters and halves of characters can't be stored, and nobody types them on purpose.
const STORABLE = /^[^\p{Cc}\p{Cs}]*$/u

/** What someone wrote in their own words, in one line. */
export function line(bounds: { readonly min: number; readonly max: number }) {
  return z.string().trim().regex(STORABLE).min(bounds.min).max(bounds.max)
}

/** Refuses a text for a reason of ours, with its stable code beside the English message. */
function refuseText(context: z.core.ParsePayload<string>, reason: string, message: string): void {
  context.issues.push({ code: 'custom', input: context.value, message, params: { reason } })
}

/** What someone or something is called: nothing in it is hidden. */
export const name = line(BOUNDS.nameLength).check((context) => {
  if (hasHiddenLetters(context.value))
    refuseText(context, 'hidden-letter', 'There is a letter in it that nobody sees. Type it anew.')
})

/** Why something was corrected or decided. */
export const reason = line(BOUNDS.reasonLength)

/** An IANA time zone that this machine knows. */
export const timeZone = z.string().check((context) => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: context.value })
  } catch {
    refuseText(context, 'unknown-zone', 'Use a time zone such as Atlantic/Azores.')
  }
})

function inOurTimes(context: z.core.ParsePayload<string>): void {
  const year = new Date(context.value).getUTCFullYear()
  if (year >= BOUNDS.year.min && year <= BOUNDS.year.max) return
  refuseText(context, 'wrong-year', `The year should lie between ${BOUNDS.year.min} and ${BOUNDS.year.max}.`)
}

/** A calendar date, `YYYY-MM-DD`. */
export const calendarDate = z.iso.date().check(inOurTimes)

/** An instant with its offset, as the device or the server saw it. */
export const instant = z.iso.datetime({ offset: true }).check(inOurTimes)

/** The part of a list's query that asks for one page of it: how many at most, and after where. */
export function pageFields(cursorLength = 200) {
  const { min, max } = BOUNDS.pageSize
  return {
    limit: z.coerce.number().int().min(min).max(max).default(DEFAULT_PAGE_SIZE),
    cursor: z.string().max(cursorLength).optional(),
  }
}

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
