/** Three sigma of an individuals chart, from the mean of the moving ranges of two: 3 ÷ 1.128. */
const LIMIT_IN_RANGES = 2.66
const RUN_ON_ONE_SIDE = 8
const RUN_OF_TREND = 6

/** What a chart shows that chance alone would seldom do. */
export const CHART_SIGNALS = ['outside', 'one-side', 'trend', 'shift'] as const
export type ChartSignal = (typeof CHART_SIGNALS)[number]

/** Something that chance alone would seldom do, at the shot (index into the run) where it showed. */
export interface Signal {
  kind: ChartSignal
  at: number
  /** Away from the target, or towards it: an improvement never holds anyone back. */
  isWorse: boolean
}

/** Centre and limits of a run, in the unit of its deviations, and what stands out in it. */
export interface ControlChart {
  centre: number
  lower: number
  upper: number
  signals: Signal[]
}

/**
 * Individuals chart of deviations from target, oldest first: centre ± 2.66 × the mean moving range, with the
 * signals "one outside", "eight on one side" and "six rising or falling"
 * (W. A. Shewhart, "Economic Control of Quality", 1931; L. S. Nelson, J. Quality Technology 16, 1984).
 * Null under two values: one shot has no spread.
 */
export function controlChart(deviations: readonly number[]): ControlChart | null {
  if (deviations.length < 2) return null
  const centre = mean(deviations)
  const ranges = deviations.slice(1).map((value, index) => Math.abs(value - (deviations[index] ?? value)))
  const reach = LIMIT_IN_RANGES * mean(ranges)
  const limits = { centre, lower: centre - reach, upper: centre + reach }
  return {
    ...limits,
    signals: [...outside(deviations, limits), ...oneSide(deviations, centre), ...trends(deviations)],
  }
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

function outside(
  values: readonly number[],
  { centre, lower, upper }: Omit<ControlChart, 'signals'>,
): Signal[] {
  return values.flatMap((value, at): Signal[] => {
    if (value >= lower && value <= upper) return []
    return [{ kind: 'outside', at, isWorse: Math.abs(value) > Math.abs(centre) }]
  })
}

/** Where a run of equal steps reaches `length`, and again at each value that carries it on. */
function runs(steps: readonly number[], length: number): number[] {
  let run = 0
  return steps.flatMap((step, index) => {
    run = step !== 0 && step === steps[index - 1] ? run + 1 : Math.abs(step)
    return run >= length ? [index] : []
  })
}

function oneSide(values: readonly number[], centre: number): Signal[] {
  const sides = values.map((value) => Math.sign(value - centre))
  return runs(sides, RUN_ON_ONE_SIDE).map((at) => {
    const lately = mean(values.slice(at - RUN_ON_ONE_SIDE + 1, at + 1))
    return { kind: 'one-side', at, isWorse: Math.abs(lately) > Math.abs(centre) }
  })
}

/** Six in a row that each rise, or each fall, are five steps one way. */
function trends(values: readonly number[]): Signal[] {
  const steps = values.slice(1).map((value, index) => Math.sign(value - (values[index] ?? value)))
  return runs(steps, RUN_OF_TREND - 1).map((step) => {
    const at = step + 1
    const before = values[at - RUN_OF_TREND + 1] ?? 0
    return { kind: 'trend', at, isWorse: Math.abs(values[at] ?? 0) > Math.abs(before) }
  })
}
