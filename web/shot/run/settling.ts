import { asTyped, settledG } from '@calm-apron/core'
import { numberTyped } from '../draft/readEntry.ts'
import type { Recorded } from './recorded.ts'

/** Until nothing drips any more, or at the latest. */
const DRIPS_AT_MOST_S = 15

/** The cup after the stop: its weight is taken once it has settled. */
export function settling({ draft, clock, series }: Pick<Recorded, 'draft' | 'clock' | 'series'>) {
  /** What the scale put into the cup's entry, to be told from what a hand did. */
  let filledIn = ''

  /** The stop and the final weight are both kept. */
  function isSettled(): boolean {
    return clock.phase.value === 'stopped' && draft.clock.lastDripText !== ''
  }

  function settle(): void {
    const stopS = numberTyped(draft.clock.stopText)
    const last = series.weights.value.at(-1)
    if (stopS === null || last === undefined) return
    const settled = settledG(series.weights.value.filter(({ timeS }) => timeS >= stopS))
    const isLongEnough = last.timeS - stopS > DRIPS_AT_MOST_S
    const weight = settled?.weightG ?? (isLongEnough ? last.weightG : null)
    if (weight === null) return
    draft.clock.lastDripText = Math.max(stopS, settled?.lastDripS ?? last.timeS).toFixed(1)
    // A stop taken back, and made again, weighs again; what was typed stays.
    if (draft.cup.grossText !== '' || draft.cup.netText !== filledIn) return
    filledIn = asTyped(draft.units.mass, Math.max(0, weight))
    draft.cup.way = 'net'
    draft.cup.netText = filledIn
  }

  return { isSettled, settle }
}
