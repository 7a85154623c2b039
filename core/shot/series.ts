import type { ShotSample } from './facts.ts'

/** A series is kept in hundredths of a second and of a gram (or bar): finer than any scale at a bar. */
const UNITS = 100

/**
 * Samples as one compact text: differences of time and weight in hundredths, in base 36, `time:weight` joined by
 * spaces. A sample 0.1 s after the last and 0.15 g heavier takes four signs.
 * @example packSeries([{ timeS: 0.1, weightG: 0 }, { timeS: 0.2, weightG: 0.15 }]) // => "a:0 a:f"
 */
export function packSeries(samples: readonly ShotSample[]): string {
  let [time, weight] = [0, 0]
  return samples
    .map(({ timeS, weightG }) => {
      const [nextTime, nextWeight] = [Math.round(timeS * UNITS), Math.round(weightG * UNITS)]
      const text = `${(nextTime - time).toString(36)}:${(nextWeight - weight).toString(36)}`
      ;[time, weight] = [nextTime, nextWeight]
      return text
    })
    .join(' ')
}

/** What a packed series looks like, to be checked where it comes in. */
export const PACKED_SERIES = /^(-?[0-9a-z]+:-?[0-9a-z]+( -?[0-9a-z]+:-?[0-9a-z]+)*)?$/

/** Samples from what `packSeries` made of them, exact to a hundredth. */
export function unpackSeries(packed: string): ShotSample[] {
  if (packed === '') return []
  let [time, weight] = [0, 0]
  return packed.split(' ').map((pair) => {
    const [byTime = '0', byWeight = '0'] = pair.split(':')
    time += parseInt(byTime, 36)
    weight += parseInt(byWeight, 36)
    return { timeS: time / UNITS, weightG: weight / UNITS }
  })
}
