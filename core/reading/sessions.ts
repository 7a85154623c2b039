import { SESSION_MS } from './recorded.ts'

/**
 * Shots by session, each in the order in which they came.
 * @param shots oldest first
 * @param isAlike what else two shots that follow each other must have in common; left out, time alone parts them
 */
export function inSessions<S extends { pulledAt: string }>(
  shots: readonly S[],
  isAlike: (one: S, other: S) => boolean = () => true,
): S[][] {
  const sessions: S[][] = []
  for (const shot of shots) {
    const last = sessions.at(-1)
    const before = last?.at(-1)
    const isNext =
      before !== undefined &&
      Date.parse(shot.pulledAt) - Date.parse(before.pulledAt) < SESSION_MS &&
      isAlike(before, shot)
    if (isNext) last?.push(shot)
    else sessions.push([shot])
  }
  return sessions
}
