import type { DeviceWord, Sensor } from '@calm-apron/contract'
import { toBase } from '@calm-apron/core'

export type MeasuringWord = Extract<DeviceWord, { t: number }>

const SENSOR_OF = {
  weight: 'scale',
  force: 'plate',
  pressure: 'pressure',
  temperature: 'thermometer',
} as const satisfies Record<MeasuringWord['kind'], Sensor>

const BAR_PER_PSI = 0.0689476

/** A word as a value in its base unit, and whether it came in another. */
export function readingOf(word: MeasuringWord): { sensor: Sensor; value: number; isOtherUnit: boolean } {
  const sensor = SENSOR_OF[word.kind]
  if (word.kind === 'pressure') {
    const isPsi = word.unit === 'psi'
    return { sensor, value: isPsi ? word.value * BAR_PER_PSI : word.value, isOtherUnit: isPsi }
  }
  const isBase = word.unit === 'g' || word.unit === 'N' || word.unit === 'C'
  return { sensor, value: isBase ? word.value : toBase(word.unit, word.value), isOtherUnit: !isBase }
}
