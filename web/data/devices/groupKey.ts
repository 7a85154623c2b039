/** What a group's devices are asked for by: its machine and its place in that. */
export function groupKey(machineId: string | null, groupNo: number | null): string {
  return machineId === null ? 'bar' : `${machineId}:${groupNo ?? 0}`
}
