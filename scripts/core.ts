import { join } from 'node:path'
import { CHECKOUT } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'

async function askCore(): Promise<void> {
  const main = join(CHECKOUT, 'contract', 'commands', 'main.ts')
  process.exitCode = await runShown(process.execPath, ['--import', 'tsx', main, ...process.argv.slice(3)], {
    cwd: CHECKOUT,
  })
}

await runMain(askCore)
