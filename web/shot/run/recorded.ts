import type { BarDevice } from '../../data/devices/barDevice.ts'
import type { ShotDraft } from '../draft/shotDraft.ts'
import type { useSeries } from './useSeries.ts'
import type { useShotClock } from './useShotClock.ts'

/** A shot under way, and what its recording goes by. */
export interface Recorded {
  draft: ShotDraft
  clock: ReturnType<typeof useShotClock>
  series: ReturnType<typeof useSeries>
  device: BarDevice
  /** The target in the cup in g, and what dripped after the last stops at this machine. */
  targetG: () => number | null
  leadsG: () => readonly number[]
  /** What the cups of the room weigh empty, in g. */
  cupsG: () => readonly number[]
  /** Whether the tool cues the stop. */
  isCueOn: () => boolean
  /** Whether it says where the shot would end. */
  isHelped: () => boolean
  /** When the first drop usually falls, in s from pump start. */
  usualFirstDropS: () => number
}
