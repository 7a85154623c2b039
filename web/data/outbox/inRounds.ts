import { oneAtATime } from './oneAtATime.ts'
import { backOffMs } from './sender.ts'

/**
 * Sends round after round: one page at a time, what is added meanwhile goes in the next round, and after one that reached
 * nobody it waits longer each time.
 * @param round sends all that waits, and says whether the server was reached
 */
export function inRounds(round: () => Promise<boolean>): () => Promise<void> {
  const alone = oneAtATime()
  let isDue = false
  let failures = 0
  let retry: ReturnType<typeof setTimeout> | undefined

  return async function send(): Promise<void> {
    if (isDue) return
    clearTimeout(retry)
    isDue = true
    const isReached = await alone(async () => {
      isDue = false
      return round()
    })
    failures = isReached ? 0 : failures + 1
    if (!isReached) retry = setTimeout(() => void send(), backOffMs(failures))
  }
}
