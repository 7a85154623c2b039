/** Milliseconds that only ever grow within this page: no correction of the wall clock reaches them. */
export function monotonicNowMs(): number {
  return performance.timeOrigin + performance.now()
}
