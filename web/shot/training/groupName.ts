import type { TodayMachine } from '@calm-apron/contract'

/** A group's own name; where there are several machines, with its machine's. */
export function groupName(
  machines: readonly TodayMachine[],
  machineId: string | null,
  groupNo: number,
): string {
  const machine = machines.find((each) => each.machineId === machineId)
  const group = machine?.groups[groupNo]?.name ?? ''
  return machines.length > 1 && machine ? `${machine.name}, ${group}` : group
}
