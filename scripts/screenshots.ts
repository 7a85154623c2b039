import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { CHECKOUT } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'
import { withTestCluster } from './testing/withTestCluster.ts'

/** The pictures are taken by the browser tests' own tool, in a run of its own. */
async function takePictures(): Promise<void> {
  mkdirSync(join(CHECKOUT, 'docs/screenshots'), { recursive: true })
  const cli = join(CHECKOUT, 'node_modules/@playwright/test/cli.js')
  const code = await runShown(process.execPath, [cli, 'test', '--config', 'e2e/pictures.config.ts'], {
    cwd: CHECKOUT,
  })
  if (code !== 0) process.exitCode = code
}

await runMain(() => withTestCluster(takePictures, true))
