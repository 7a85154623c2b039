import { ENDPOINTS, type Today } from '@calm-apron/contract'
import { call } from '../api/client.ts'
import { RefusedByServer } from '../../kit/failures.ts'

declare global {
  /** What `beforeApp.js` asked for while the app was still on its way. */
  var todayAhead: Promise<Response> | undefined
}

let ahead: Promise<Today> | null = null

/**
 * Asks for today, unless it was while the app was still on its way, as long as it is being put together and who is here
 * being found out. The answer is for whoever the server takes this device for, so it can't be another's.
 */
export function askTodayAhead(): void {
  ahead = call(ENDPOINTS.today, {}, globalThis.todayAhead)
  globalThis.todayAhead = undefined
  // Whoever takes it hears of its failure; if nobody does, nobody wanted it.
  ahead.catch(() => undefined)
}

/** What was asked ahead, once; or what is asked now. */
export async function askToday(): Promise<Today> {
  const asked = ahead
  ahead = null
  try {
    return await (asked ?? call(ENDPOINTS.today))
  } catch (error) {
    // It was refused to whoever was here before, not to whoever came in since.
    if (asked !== null && error instanceof RefusedByServer) return call(ENDPOINTS.today)
    throw error
  }
}
