import { asTyped } from '@calm-apron/core'
import { monotonicNowMs } from '../../data/devices/steadyClock.ts'
import type { Recorded } from './recorded.ts'

/** Longer than this from locking in, and somebody went for a coffee. */
const LOCK_TO_START_AT_MOST_S = 300

/** What is noted by itself at the moment the pump starts. */
export function noteAtStart({ draft, device }: Pick<Recorded, 'draft' | 'device'>): void {
  noteHeat({ draft, device })
  if (draft.lockedInAtMs === null || draft.noted.lockToStartS !== null) return
  const s = ((monotonicNowMs() - draft.lockedInAtMs) / 1000) * draft.clock.pace
  if (s >= 0 && s < LOCK_TO_START_AT_MOST_S) draft.noted.lockToStartS = Math.round(s * 10) / 10
}

/** As the thermometer stood; what was typed stays. */
function noteHeat({ draft, device }: Pick<Recorded, 'draft' | 'device'>): void {
  const atGroup = device.last.value.thermometer
  if (atGroup === undefined || draft.texts.waterC !== '') return
  draft.texts.waterC = asTyped(draft.units.temperature, atGroup.value)
}
