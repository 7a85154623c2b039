import { crossingS } from './crossing.ts'
import type { ShotSample } from './facts.ts'

/** Flow is taken over this long: shorter is noise, longer lags behind the stream. */
const FLOW_OVER_S = 2
/** The cup is taken to have begun filling at this weight, held for so many samples, so that a knock is no first drop. */
const FIRST_DROP_G = 0.25
const HELD_SAMPLES = 3
/** A cup that is about to be filled was left alone for so many samples. */
const STILL_SAMPLES = 5
/** Nothing has changed by more than this for so long: the last drip has fallen. */
const SETTLED_WITHIN_G = 0.1
const SETTLED_OVER_S = 2
/** No stream brings more than this in a second; a jump beyond is a hand, or a cup set down. */
const MOST_FLOW_G_PER_S = 12
/** Fewer g/s than this is no stream that a finish can be projected from. */
const LEAST_FLOW_G_PER_S = 0.15

/** Grams per second over the last two seconds; null before there are any. */
export function flowNow(samples: readonly ShotSample[]): number | null {
  const last = samples.at(-1)
  if (last === undefined) return null
  const from = samples.find(({ timeS }) => timeS >= last.timeS - FLOW_OVER_S)
  if (from === undefined || last.timeS - from.timeS < FLOW_OVER_S / 4) return null
  return (last.weightG - from.weightG) / (last.timeS - from.timeS)
}

/** A first drop is only known where the scale was telling just before it. */
const TOLD_WITHIN_S = 1

/**
 * When the first drop fell, in s from pump start: the first of three samples in a row above a quarter of a gram, drawn
 * back by what had already gathered. Null while it has not, and where the scale was silent when it did.
 */
export function firstDropSeen(samples: readonly ShotSample[]): number | null {
  for (let at = 0; at + HELD_SAMPLES <= samples.length; at += 1) {
    const held = samples.slice(at, at + HELD_SAMPLES)
    const [first] = held
    if (first === undefined || held.some(({ weightG }) => weightG < FIRST_DROP_G)) continue
    const beforeS = samples[at - 1]?.timeS ?? 0
    return first.timeS - beforeS > TOLD_WITHIN_S ? null : (beforeS + first.timeS) / 2
  }
  return null
}

/**
 * Whether a cup that stood on a tared scale has begun to fill: some readings of nothing, then three that rise. The
 * first of the three, or null.
 */
export function fillingSeen(samples: readonly ShotSample[]): ShotSample | null {
  const rising = samples.slice(-HELD_SAMPLES)
  const still = samples.slice(-HELD_SAMPLES - STILL_SAMPLES, -HELD_SAMPLES)
  const isStill = still.every(({ weightG }) => Math.abs(weightG) < FIRST_DROP_G)
  const isRising = rising.every(
    ({ weightG }, at) => weightG >= FIRST_DROP_G && weightG > (rising[at - 1]?.weightG ?? 0),
  )
  const first = rising[0]
  const isStream = first !== undefined && isOfStream(still.at(-1), first)
  return still.length === STILL_SAMPLES && isStill && isRising && isStream ? first : null
}

/** The weight once nothing drips any more, and since when; null while it still does. */
export function settledG(samples: readonly ShotSample[]): { weightG: number; lastDripS: number } | null {
  const last = samples.at(-1)
  if (last === undefined) return null
  const isSame = ({ weightG }: ShotSample) => Math.abs(weightG - last.weightG) <= SETTLED_WITHIN_G
  const lastOther = samples.findLastIndex((each) => !isSame(each))
  const since = samples[lastOther + 1]
  if (since === undefined || last.timeS - since.timeS < SETTLED_OVER_S) return null
  return { weightG: last.weightG, lastDripS: since.timeS }
}

/** When the target will be reached at the flow of now, in s from pump start; null where nothing flows. */
export function projectedFinishS(samples: readonly ShotSample[], targetG: number): number | null {
  const last = samples.at(-1)
  const flow = flowNow(samples)
  if (last === undefined) return null
  if (last.weightG >= targetG) return crossingS(samples, targetG)
  if (flow === null || flow < LEAST_FLOW_G_PER_S) return null
  return last.timeS + (targetG - last.weightG) / flow
}

/** Whether a weight can be the stream's: not one that jumped, nor one that fell below what the cup already held. */
export function isOfStream(before: ShotSample | undefined, sample: ShotSample): boolean {
  if (sample.weightG < -1) return false
  if (before === undefined) return true
  const byS = Math.max(sample.timeS - before.timeS, 0.05)
  const by = sample.weightG - before.weightG
  return sample.timeS > before.timeS && by / byS <= MOST_FLOW_G_PER_S && by > -2
}
/** Where a shot ran away: when its flow first passed twice what it was for most of the pour; null where it didn't. */
export function ranAwayS(samples: readonly ShotSample[], firstDropS: number, stopS: number): number | null {
  const flowing = samples.filter(({ timeS }) => timeS >= firstDropS + FLOW_OVER_S && timeS <= stopS)
  const flows = flowing.flatMap((each, at) => {
    const flow = flowNow(flowing.slice(0, at + 1))
    return flow === null ? [] : [{ timeS: each.timeS, flow }]
  })
  const half = flows.slice(0, Math.ceil(flows.length / 2)).map(({ flow }) => flow)
  if (half.length < 10) return null
  const usual = [...half].sort((a, b) => a - b)[Math.floor(half.length / 2)] ?? 0
  return flows.find(({ flow }) => usual > 0 && flow > 2 * usual)?.timeS ?? null
}
