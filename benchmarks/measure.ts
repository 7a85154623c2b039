/** Runs of one thing: how long each took, in ms, sorted. */
export interface Timing {
  medianMs: number
  p95Ms: number
}

/** Times `work` so many times, one after the other, after as many warm-up runs as a tenth of them. */
export async function time(runs: number, work: () => Promise<unknown>): Promise<Timing> {
  for (let run = 0; run < runs / 10; run += 1) await work()
  const took: number[] = []
  for (let run = 0; run < runs; run += 1) {
    const start = performance.now()
    await work()
    took.push(performance.now() - start)
  }
  return { medianMs: within(took, 0.5), p95Ms: within(took, 0.95) }
}

/** The time within which such a share of them came; none of none. */
export function within(took: readonly number[], share: number): number {
  return took.toSorted((a, b) => a - b)[Math.floor(share * (took.length - 1))] ?? Number.NaN
}
