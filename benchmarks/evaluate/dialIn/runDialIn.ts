import type { GrindSeen, SessionShot } from '@calm-apron/core'
import { type Seeded, seeded } from '@calm-apron/core/bench'
import { type DialInBench, isTrulyRight, pullShot } from './dialInBench.ts'
import type { Strategy } from './strategies.ts'

/** Nobody goes on for longer. */
export const MOST_SHOTS = 15

/** How one strategy fared on one bench; the shot that would confirm a landing is not counted. */
export interface Outcome {
  /** Shots until one was in the window and truly belonged there; null when none was. */
  shots: number | null
  grams: number
  /** It ended, content, where the window is not. */
  isFooled: boolean
  /** By its fifth shot it had said what else there is to do. */
  isWayTold: boolean
}

/**
 * Dials in one bench until a shot lands: it reads in the window at a setting that truly belongs there. Every strategy
 * meets the same luck at the same shot.
 */
export function dialIn(
  bench: DialInBench,
  strategy: Strategy,
  earlier: readonly GrindSeen[],
  seed: number,
): Outcome {
  const session: SessionShot[] = []
  let grams = 0
  let isWayTold = false
  while (session.length < MOST_SHOTS) {
    const wanted = strategy(session, earlier, bench)
    if (wanted === 'done') return { shots: null, grams, isFooled: true, isWayTold }
    if (session.length < 5 && wanted.isWayTold === true) isWayTold = true
    const before = session.at(-1) ?? null
    const luck: Seeded = seeded(seed * 1000 + session.length)
    const pulled = pullShot(bench, { ...wanted, settingBefore: before?.setting ?? null }, luck)
    grams += wanted.doseG + (before !== null && before.setting !== wanted.setting ? bench.grinder.purgeG : 0)
    session.push(pulled)
    if (readsRight(pulled, bench) && isTrulyRight(bench, wanted))
      return { shots: session.length, grams, isFooled: false, isWayTold }
  }
  return { shots: null, grams, isFooled: false, isWayTold }
}

function readsRight({ cameOut, leaning }: SessionShot, { goesBy }: DialInBench): boolean {
  return goesBy === 'taste' ? leaning === 'balanced' : cameOut === 'in-window'
}
