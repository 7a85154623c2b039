import { readTime } from '../reading/timeReading.ts'
import type { Readings } from '../reading/types.ts'
import type { Cause } from './causes.ts'
import type { EvidenceOfShot } from './evidence.ts'
import { BASELINE } from './usual.ts'
import type { Channel, Evidence, EvidenceKey, Option } from './evidenceTypes.ts'
import { FOLLOWS } from './follows.ts'
import type { Inference } from './infer.ts'
import type { Known } from './places.ts'
import type { Noted, WeighedEvidence } from './types.ts'

/** A value this many spreads from a careful shot's is no longer usual. */
const USUAL_SPREADS = 1.5

/**
 * Each thing as it was noted, with what it did to this cause; the weightiest first. Two bounds of one time are one
 * thing.
 */
export function weighedEvidence(
  { items, known }: EvidenceOfShot,
  inference: Inference,
  cause: Cause,
  readings: Readings,
): WeighedEvidence[] {
  const logOddsOf = new Map<EvidenceKey, number>()
  for (const { key, logOdds } of inference.contributions(cause))
    logOddsOf.set(key, (logOddsOf.get(key) ?? 0) + logOdds)
  return (
    [...new Map(items.map((item) => [item.key, item])).values()]
      .map((item) => ({
        key: item.key,
        noted: notedOf(item, known, inference, readings),
        logOdds: logOddsOf.get(item.key) ?? 0,
      }))
      // That something can be right is a reason for nothing but that nothing is wrong.
      .filter(({ noted }) => noted !== 'possible' || cause === 'none')
      .sort((a, b) => Math.abs(b.logOdds) - Math.abs(a.logOdds))
  )
}

function notedOf(item: Evidence, known: Known, { placesOf }: Inference, readings: Readings): Noted {
  switch (item.kind) {
    case 'yes-no':
      return item.isSo ? 'yes' : 'no'
    case 'choice':
      return item.option === null ? 'usual' : wordOf(item.option)
    case 'measured': {
      if (item.key === 'time') return timeNoted(readings)
      const { mean, classOf } = placesOf(item.key)
      const usual = mean[classOf[NO_FAULT] ?? 0] ?? 0
      const noted = against(
        item.value,
        usual,
        USUAL_SPREADS * Math.hypot(BASELINE[item.key].spread, item.spread),
      )
      return isFollowing(item.key) && known.timeLn !== null ? BESIDE_ITS_TIME[noted] : noted
    }
  }
}

/** Where the time is known, what follows from it is told beside what it makes of a shot without a fault. */
const BESIDE_ITS_TIME = { low: 'less', usual: 'fits', high: 'more' } as const
const NO_FAULT = 0

function isFollowing(key: Channel): boolean {
  return key === 'first-drop' || key in FOLLOWS
}

/** As its rail tells it: a bound says fast or slow only where the whole of it lies outside the window. */
function timeNoted({ timeAtTarget, flow, of: { recipe } }: Readings): Noted {
  if (flow.state === 'choking' || timeAtTarget.kind === 'no-drop') return 'high'
  const read = readTime(timeAtTarget, recipe)
  if (!read.judged) return 'possible'
  if (read.standing === 'on') return 'usual'
  return read.deviation < 0 ? 'low' : 'high'
}

function wordOf(option: Option): Noted {
  // What stands after the colon of an option is its word.
  return option.slice(option.indexOf(':') + 1) as Noted
}

function against(value: number, usual: number, tolerance: number): keyof typeof BESIDE_ITS_TIME {
  if (Math.abs(value - usual) <= tolerance + 1e-9) return 'usual'
  return value < usual ? 'low' : 'high'
}
