const SENDING_LOCK = 'calm-apron.outbox'

/** Within this page, and among all of the browser's where it has locks; without https, away from this machine, it has none: sending twice is then harmless, only wasteful. */
export function oneAtATime(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve()
  return (work) => {
    const locks = 'locks' in navigator ? navigator.locks : null
    const turn = last.then(async () => (locks === null ? work() : locks.request(SENDING_LOCK, work)))
    last = turn.catch(() => undefined)
    return turn
  }
}
