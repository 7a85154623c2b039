import type { TodayMachine } from '@calm-apron/contract'

/** What the steps of a routine look at beside themselves. */
export interface StepBench {
  machine: Pick<TodayMachine, 'switchedOnAt' | 'warmUpMinutes' | 'isSelfFilling'> | null
  /** Monotonic ms at which the portafilter was locked in; null while the pump already runs, or before. */
  lockedInAtMs: number | null
  /** Seconds of the shot's clock in one of life. */
  pace: number
  /** Somebody said that the machine fills itself just now. */
  isWaitingToFill: boolean
  waitToFill: () => void
  /** What is not on the bench, by the room's list. */
  lacking: readonly string[]
}
