/** So soon after a shot its figures are taken up. */
const LOOK_EVERY_MS = 1000

/**
 * Does again and again what is to be done, one at a time. `stop` resolves once what is in hand is done; work of many parts
 * looks between them whether it is to stop.
 * @param onTrouble hears the first of whatever goes wrong, and no more of it until something went well again
 */
export function workLoop(
  work: (stopping: AbortSignal) => Promise<void>,
  onTrouble: (error: unknown) => void,
  everyMs = LOOK_EVERY_MS,
): { stop: () => Promise<void> } {
  let inHand: Promise<void> | null = null
  let isInTrouble = false
  const stopping = new AbortController()
  async function look(): Promise<void> {
    try {
      await work(stopping.signal)
      isInTrouble = false
    } catch (error) {
      if (!isInTrouble) onTrouble(error)
      isInTrouble = true
    } finally {
      inHand = null
    }
  }
  const looking = setInterval(() => {
    inHand ??= look()
  }, everyMs)
  looking.unref()
  return {
    stop: async () => {
      clearInterval(looking)
      stopping.abort()
      await inHand
    },
  }
}
