/**
 * What was stored in a version of its shape, as it would be stored now.
 * @param steps one from each version to the next, from 1 on
 */
export function broughtUp<T>(stored: T, version: number, steps: readonly ((stored: T) => T)[]): T {
  return steps.slice(version - 1).reduce((upTo, step) => step(upTo), stored)
}
