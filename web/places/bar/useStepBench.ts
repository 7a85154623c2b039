import { computed } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import type { StepBench } from '../../shot/routine/stepBench.ts'
import type { ShotRun } from '../../shot/run/shotRuns.ts'

/** What the routine's steps look at beside themselves: the machine, the wait since locking in, what the bench lacks. */
export function useStepBench({ draft, clock, machine }: Pick<ShotRun, 'draft' | 'clock' | 'machine'>) {
  const academy = useAcademy()
  const waitToFill = () => void (draft.noted.waitedToFill = true)
  return computed<StepBench>(() => ({
    machine: machine.value,
    lockedInAtMs: clock.phase.value === 'before' ? draft.lockedInAtMs : null,
    pace: draft.clock.pace,
    isWaitingToFill: draft.noted.waitedToFill === true,
    waitToFill,
    lacking: (academy.bar(draft.barId)?.bench ?? [])
      .filter(({ state }) => state !== 'here')
      .map(({ what }) => what),
  }))
}
