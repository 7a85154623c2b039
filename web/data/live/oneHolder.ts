/** One page of a browser holds the line: of HTTP/1.1 connections to one server a browser has six. */
const LOCK = 'calm-apron-live'

/** Holds as soon as no other page does, until it is over. Where browsers have no locks each page holds for itself. */
export async function whoHolds(over: AbortSignal, hold: () => () => void): Promise<void> {
  const holding = () =>
    new Promise<void>((resolve) => {
      if (over.aborted) {
        resolve()
        return
      }
      const letGo = hold()
      over.addEventListener('abort', () => {
        letGo()
        resolve()
      })
    })
  const locks = 'locks' in navigator ? navigator.locks : null
  if (locks === null) return holding()
  try {
    await locks.request(LOCK, { signal: over }, holding)
  } catch (error) {
    // It was over before its turn came.
    if (!over.aborted) throw error
  }
}
