import type { TodayMachine, TodayRoutine } from '@calm-apron/contract'

/** The routines that suit a machine: those with a lever to raise for a lever, and for no other. */
export function routinesFor<R extends Pick<TodayRoutine, 'steps'>>(
  routines: readonly R[],
  machine: Pick<TodayMachine, 'kind'> | null,
): R[] {
  const isLever = machine?.kind === 'lever'
  return routines.filter(({ steps }) => steps.some(({ key }) => key === 'raise-lever') === isLever)
}

/** The first of them; null where none suits. */
export function routineFor(...asked: Parameters<typeof routinesFor<TodayRoutine>>): string | null {
  return routinesFor(...asked)[0]?.routineId ?? null
}
