import type { GrindShot } from '@calm-apron/core'
import { type Seeded, seeded } from '@calm-apron/core/bench'
import { type DialInBench, isTrulyInWindow, pullShot } from './dialInBench.ts'
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
}

/**
 * Dials in one bench until a shot lands: it reads in the window at a setting that truly belongs there. Every strategy
 * meets the same luck at the same shot.
 */
export function dialIn(
  bench: DialInBench,
  strategy: Strategy,
  earlier: readonly GrindShot[],
  seed: number,
): Outcome {
  const session: GrindShot[] = []
  let grams = 0
  while (session.length < MOST_SHOTS) {
    const wanted = strategy(session, earlier, bench.grinder, bench.startSetting)
    if (wanted === 'done') return { shots: null, grams, isFooled: true }
    const before = session.at(-1) ?? null
    const luck: Seeded = seeded(seed * 1000 + session.length)
    const pulled = pullShot(bench, { ...wanted, settingBefore: before?.setting ?? null }, luck)
    grams += wanted.doseG + (before !== null && before.setting !== wanted.setting ? bench.grinder.purgeG : 0)
    session.push(pulled)
    const isIn = pulled.readings.flow.state === 'on'
    if (isIn && isTrulyInWindow(bench, wanted.setting, wanted.doseG)) {
      return { shots: session.length, grams, isFooled: false }
    }
  }
  return { shots: null, grams, isFooled: false }
}
