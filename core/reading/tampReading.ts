import type { ShotFacts, Tilt } from '../shot/facts.ts'
import type { Standing, TampReading } from './types.ts'

const TILT_STANDING: Record<Tilt, Standing> = { level: 'on', slight: 'near', clear: 'off' }

/** Level and settled beat strong: a clear tilt or a bed that still gives is off, a slight tilt is near. */
export function readTamp({ tilt, lowSide, settled }: ShotFacts['tamp']): TampReading {
  if (tilt === null && settled === null) return { judged: false, why: 'not-seen' }
  const standing = settled === false ? 'off' : TILT_STANDING[tilt ?? 'level']
  return { judged: true, standing, tilt, lowSide, settled }
}
