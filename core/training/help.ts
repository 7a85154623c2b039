/** A shot of somebody's by one recipe, as far as help goes. */
export interface HelpedBefore {
  /** Whether the tool helped: with trim words, tones, the cue to stop, the projection, the shot before drawn behind. */
  isHelped: boolean
  /** Whether dose or cup were off. */
  isMissed: boolean
}

/** So many shots of something new have all the help there is. */
const FIRST_SHOTS = 3
/** So many more have it every other time. */
const FADING_SHOTS = 6
/** So many misses running bring it back. */
const MISSES_RUNNING = 2

/**
 * Whether the tool helps with the next shot: with the first three of something new, then with every other, then no more; after
 * two misses running it is back for one.
 * @param before shots by the same recipe of which it is known whether there was help, oldest first
 */
export function isHelpDue(before: readonly HelpedBefore[]): boolean {
  const pulled = before.length
  if (pulled < FIRST_SHOTS) return true
  const last = before.slice(-MISSES_RUNNING)
  if (last.every(({ isMissed }) => isMissed)) return true
  return pulled < FIRST_SHOTS + FADING_SHOTS && before.at(-1)?.isHelped === false
}
