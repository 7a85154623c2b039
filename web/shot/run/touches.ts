import { monotonicNowMs } from '../../data/devices/steadyClock.ts'

/** A second touch this soon is the same wet finger. */
const SAME_TOUCH_MS = 350

/** Tells touches apart: a wet finger that lands twice touched once. */
export function touches() {
  let lastMs = -Infinity
  return {
    isSame(): boolean {
      const now = monotonicNowMs()
      const isSame = now - lastMs < SAME_TOUCH_MS
      if (!isSame) lastMs = now
      return isSame
    },
    /** A touch that was taken for something else still keeps the next one from counting. */
    took(): void {
      lastMs = monotonicNowMs()
    },
  }
}
