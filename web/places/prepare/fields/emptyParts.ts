import { THRESHOLDS } from '@calm-apron/core'

/** What a part that is null, or a further one of a list, begins as when somebody adds it. */
const EMPTY_PARTS: Record<string, () => object> = {
  volume: () => ({
    targetMl: 50,
    toleranceMl: 5,
    gPerMl: THRESHOLDS.beverageGPerMl,
    gPerMlSd: THRESHOLDS.beverageGPerMlSd,
  }),
  taste: () => ({ sour: 3, sweet: 7, bitter: 3 }),
  tampForce: () => ({ targetN: 130, toleranceN: 20 }),
  gauge: () => ({ fromBar: 8, toBar: 10 }),
  innerBurr: () => ({ at: 0, settingsPerUnit: null }),
  batch: () => ({ litres: 5, mgPerLitre: 120 }),
  density: () => ({ gPerMl: THRESHOLDS.beverageGPerMl, gPerMlSd: THRESHOLDS.beverageGPerMlSd }),
  lock: () => ({ personId: '', reason: '' }),
  weighed: () => ({ at: new Date().toISOString(), leftG: null }),
  groups: () => ({ name: '', basketId: null, selector: 'none', buttons: [] }),
  buttons: () => ({ name: '', suits: 'double' }),
  portions: () => ({ seconds: null, grams: null, settingAt: null }),
  weighIns: () => ({ beansInG: null, groundsOutG: null }),
  bench: () => ({ what: '', state: 'here', note: '' }),
}

/** @throws {RangeError} for a part that nobody said how to begin */
export function emptyPart(name: string): object {
  const make = EMPTY_PARTS[name]
  if (!make) throw new RangeError(`Nothing says how ${name} begins.`)
  return make()
}
