import type { TodayMachine, TodayRoutine } from '@calm-apron/contract'

/** The first routine that suits a machine: one with a lever to raise for a lever, and for no other. */
export function routineFor(
  routines: readonly TodayRoutine[],
  machine: Pick<TodayMachine, 'kind'> | null,
): string | null {
  const isLever = machine?.kind === 'lever'
  const suits = ({ steps }: TodayRoutine) => steps.some(({ key }) => key === 'raise-lever') === isLever
  return routines.find(suits)?.routineId ?? null
}
