import { ENDPOINTS, type Today } from '@calm-apron/contract'
import { call } from '../api/client.ts'
import { RefusedByServer } from '../../kit/failures.ts'

declare global {
  /** What `beforeApp.js` asked for while the app was still on its way. */
  var todayAhead: { answer: Promise<Response>; askedAtMs: number } | undefined
}

let ahead: { answer: Promise<Today>; askedAtMs: number } | null = null

/**
 * Asks for today, unless it was while the app was still on its way, as long as it is being put together and who is here
 * being found out. The answer is for whoever the server takes this device for, so it can't be another's.
 */
export function askTodayAhead(): void {
  const { answer, askedAtMs = Date.now() } = globalThis.todayAhead ?? {}
  ahead = { answer: call(ENDPOINTS.today, {}, answer), askedAtMs }
  globalThis.todayAhead = undefined
  // Whoever takes it hears of its failure; if nobody does, nobody wanted it.
  ahead.answer.catch(() => undefined)
}

/** When that which would be told now was asked for: before the live line was begun, so that it lacks what came between. */
export function todayAskedAtMs(): number {
  return ahead?.askedAtMs ?? Date.now()
}

/** What was asked ahead, once; or what is asked now. */
export async function askToday(): Promise<Today> {
  const asked = ahead
  ahead = null
  try {
    return await (asked?.answer ?? call(ENDPOINTS.today))
  } catch (error) {
    // It was refused to whoever was here before, not to whoever came in since.
    if (asked !== null && error instanceof RefusedByServer) return call(ENDPOINTS.today)
    throw error
  }
}
