import type { Flow, Readings } from '../reading/types.ts'
import type { Cause } from './causes.ts'
import type { EvidenceOfShot } from './evidence.ts'
import { BASELINE } from './usual.ts'
import type { Evidence, Option } from './evidenceTypes.ts'
import type { Inference } from './infer.ts'
import type { Noted, WeighedEvidence } from './types.ts'

/** A value this many spreads from a careful shot's is no longer usual. */
const USUAL_SPREADS = 1.5

/** Each piece of evidence as it was noted, with what it did to this cause; the weightiest first. */
export function weighedEvidence(
  { items }: EvidenceOfShot,
  inference: Inference,
  cause: Cause,
  { flow }: Pick<Readings, 'flow'>,
): WeighedEvidence[] {
  const noted = new Map(items.map((item) => [item.key, notedOf(item, inference, flow)]))
  return inference
    .contributions(cause)
    .map(({ key, logOdds }) => ({ key, noted: noted.get(key) ?? 'usual', logOdds }))
}

function notedOf(item: Evidence, { placesOf }: Inference, flow: Flow): Noted {
  switch (item.kind) {
    case 'yes-no':
      return item.isSo ? 'yes' : 'no'
    case 'choice':
      return item.option === null ? 'usual' : wordOf(item.option)
    case 'measured': {
      if (item.bound !== null) return item.bound === 'at-least' ? 'high' : 'low'
      // The window itself is the measure of a time.
      if (item.key === 'time' && flow.state === 'on') return 'usual'
      if (item.key === 'time') return item.value < 0 ? 'low' : 'high'
      // The usual age of a coffee is its own; everything else has the same baseline for all.
      const mean = item.key === 'age' ? (placesOf('age').mean[0] ?? 0) : BASELINE[item.key].mean
      return against(item.value, mean, USUAL_SPREADS * Math.hypot(BASELINE[item.key].spread, item.spread))
    }
  }
}

function wordOf(option: Option): Noted {
  // What stands after the colon of an option is its word.
  return option.slice(option.indexOf(':') + 1) as Noted
}

function against(value: number, usual: number, tolerance: number): Noted {
  if (Math.abs(value - usual) <= tolerance + 1e-9) return 'usual'
  return value < usual ? 'low' : 'high'
}
