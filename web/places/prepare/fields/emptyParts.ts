import { type PreparedKind, kindOf } from '@calm-apron/contract'

/**
 * What a part that is null, or a further one of a list, begins as when somebody adds it.
 * @throws {RangeError} for a part that its kind does not say how to begin
 */
export function emptyPart(kind: PreparedKind, name: string): object {
  const make = kindOf(kind).parts?.[name]
  if (!make) throw new RangeError(`Nothing says how ${name} of a ${kind} begins.`)
  return make(new Date())
}
