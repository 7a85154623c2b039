import { isAfterFailure } from './errors.ts'

/**
 * Waits for what does not depend on one another: all that it asks the database is on its way at once, and takes the time of
 * one question. What each asks first goes in the order in which they stand here, if it is sent by `execute()` or is kept.
 * Of several that fail the first that stands here is thrown, whichever came back first, so that who asks again hears the same.
 */
export async function together<const W extends readonly Promise<unknown>[]>(
  works: W,
): Promise<{ -readonly [I in keyof W]: Awaited<W[I]> }> {
  const settled = await Promise.allSettled(works)
  // Behind the first that fails the database refuses all others of the transaction: they say nothing.
  const first = settled.findIndex((each) => each.status === 'rejected' && !isAfterFailure(each.reason))
  await works[first]
  return Promise.all(works)
}

/** What came of it, told by calling that; or why nothing did, which is thrown there: for what is asked before it is known whether it is wanted. */
export async function outcomeOf<T>(work: Promise<T>): Promise<() => T> {
  const [settled] = await Promise.allSettled([work])
  return () => {
    if (settled.status === 'rejected') throw settled.reason
    return settled.value
  }
}
