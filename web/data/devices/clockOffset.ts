/** A clock that is 50 millionths off drifts 3 ms in this; so long a quickest delivery is as good as any. */
const WINDOW_S = 60

/**
 * Lays a device's clock over ours: by the quickest delivery of the last minute or two, so that a late word moves
 * nothing, and a clock that runs a little fast or slow is followed all day.
 */
export function clockOffset() {
  /** Our s less the device's, at the quickest delivery of this window and of the one before. */
  let [now, before] = [Infinity, Infinity]
  let untilS = -Infinity

  /** Hears of a word that was said at `theirS` and arrived at `oursS`; returns when it was said by our clock. */
  function heard(theirS: number, oursS: number): number {
    if (oursS >= untilS) {
      // After a pause longer than a window what was known is too old.
      before = oursS < untilS + WINDOW_S ? now : Infinity
      now = Infinity
      untilS = oursS + WINDOW_S
    }
    now = Math.min(now, oursS - theirS)
    return theirS + Math.min(now, before)
  }

  function forget(): void {
    ;[now, before, untilS] = [Infinity, Infinity, -Infinity]
  }

  return { heard, forget }
}
