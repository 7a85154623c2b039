import { checkBank } from '@calm-apron/core/testing'

/** Prints whether every rule of a statement holds over a bank of shots, and how long that took. */
export function reportStatements(firstSeed: number, shots: number): void {
  const from = performance.now()
  const breaches = checkBank([firstSeed, shots])
  console.log(
    `\nRules of a statement over ${shots} shots: ${breaches.length} broken, in ${((performance.now() - from) / 1000).toFixed(0)} s`,
  )
  for (const { rule, seed } of breaches.slice(0, 20)) console.log(`  ${rule}: shot ${seed}`)
}
