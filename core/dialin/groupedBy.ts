/** Values in groups of equal key, in the order in which the keys first came. */
export function groupedBy<T>(values: readonly T[], keyOf: (value: T) => string): T[][] {
  const groups = new Map<string, T[]>()
  for (const value of values) {
    const group = groups.get(keyOf(value))
    if (group) group.push(value)
    else groups.set(keyOf(value), [value])
  }
  return [...groups.values()]
}
