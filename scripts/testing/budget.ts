import { cpus } from 'node:os'
import { Worker } from 'node:worker_threads'

/**
 * Seconds that each part may take, on two cores that do nothing else. Whoever adds to a part either finds them elsewhere
 * in it or raises its figure here, knowingly.
 */
export const BUDGET_S: Readonly<Record<string, number>> = {
  // These four run at once; alone they take 1, 50, 65 and 65.
  format: 5,
  types: 130,
  lint: 160,
  // A third of it reads ten thousand shots by every rule of a statement.
  unit: 160,
  // With the last release's records, a word planted wherever something is withheld, and a thousand shots through two servers.
  api: 165,
  // Some 15 s of the processor a story, 45 % of it the pages themselves: a hundred take 900. They should take 300.
  browser: 920,
}

/** What the work below takes on both of two such cores at once, in ms. */
const REFERENCE_MS = 600
const ON_CORES = Math.min(2, cpus().length)
const WORK = `
let sum = 0
for (let turn = 0; turn < 6e7; turn += 1) sum = (sum + turn * 7) % 1000003
require('node:worker_threads').parentPort.postMessage(sum)
`

/** How many times slower this machine is just now than the one that the budget was measured on. */
export async function slowness(): Promise<number> {
  const startMs = performance.now()
  await Promise.all(Array.from({ length: ON_CORES }, worked))
  return (performance.now() - startMs) / REFERENCE_MS
}

async function worked(): Promise<void> {
  await new Promise((resolve, reject) => {
    const worker = new Worker(WORK, { eval: true })
    worker.once('message', resolve)
    worker.once('error', reject)
  })
}

/** What one part took. */
export interface Taken {
  part: string
  seconds: number
}

/** A line for each part: what it took, beside what it may take on a machine as slow as this one was; loud where it is over. */
export function budgetLines(taken: readonly Taken[], slow: number): string[] {
  const head = `Time, on a machine ${slow.toFixed(1)} times as slow as the one the budget is of:`
  const lines = taken.map(({ part, seconds }) => {
    const may = (BUDGET_S[part] ?? 0) * slow
    const over = seconds > may ? `   OVER BUDGET by ${(seconds - may).toFixed(0)} s` : ''
    return `  ${part.padEnd(8)} ${seconds.toFixed(0).padStart(4)} s of ${may.toFixed(0)} s${over}`
  })
  return [head, ...lines]
}
