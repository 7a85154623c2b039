import { ENDPOINTS, type Today } from '@calm-apron/contract'
import { call } from '../api/client.ts'

let asked: Promise<Today> | null = null

/**
 * Asks for today while the app is still being put together and who is here still being found out. The answer is for
 * whoever the server takes this device for, so it can't be another's.
 */
export function askTodayAhead(): void {
  asked = call(ENDPOINTS.today)
  // Whoever takes it hears of its failure; if nobody does, nobody wanted it.
  asked.catch(() => undefined)
}

/** What was asked ahead, once; null where nothing was, or it was taken. */
export function takeTodayAhead(): Promise<Today> | null {
  const taken = asked
  asked = null
  return taken
}
