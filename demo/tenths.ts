/** As a scale or a clock shows it. */
export function tenths(value: number): number {
  return Math.round(value * 10) / 10
}
