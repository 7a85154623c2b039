import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PlainFailure, runMain } from './machine/plainFailure.ts'
import { type Taken, budgetLines, slowness } from './testing/budget.ts'
import { type Count, sum } from './testing/count.ts'
import { PARTS, WAVES } from './testing/parts.ts'

const taken: Taken[] = []

async function run(name: string, results: string): Promise<Count> {
  console.log(`\n— ${name}`)
  const startMs = performance.now()
  const count = (await PARTS[name]?.(results)) ?? { passed: 0, failed: 1 }
  taken.push({ part: name, seconds: (performance.now() - startMs) / 1000 })
  return count
}

function refuseUnknown(asked: readonly string[]): void {
  const unknown = asked.filter((name) => !(name in PARTS))
  if (unknown.length === 0) return
  throw new PlainFailure(
    `There is no part "${unknown.join(', ')}"; the parts are ${Object.keys(PARTS).join(', ')}.`,
  )
}

await runMain(async () => {
  const asked = process.argv.slice(3)
  refuseUnknown(asked)
  const results = mkdtempSync(join(tmpdir(), 'calm-apron-results-'))
  const counts: Count[] = []
  const slow = [await slowness()]
  try {
    for (const wave of WAVES) {
      const due = wave.filter((name) => asked.length === 0 || asked.includes(name))
      counts.push(...(await Promise.all(due.map((name) => run(name, results)))))
      if (due.length > 0) slow.push(await slowness())
    }
  } finally {
    rmSync(results, { recursive: true, force: true })
  }
  const meanSlowness = slow.reduce((total, each) => total + each, 0) / slow.length
  console.log(`\n${budgetLines(taken, meanSlowness).join('\n')}`)
  const { passed, failed } = sum(counts)
  console.log(`\n${passed} passed, ${failed} failed`)
  if (failed > 0) process.exitCode = 1
})
