import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { buildIfChanged } from './building/build.ts'
import { CHECKOUT } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'
import { startTestCluster } from './testing/testCluster.ts'

// The pictures are taken by the browser tests' own tool, in a run of its own.
await runMain(async () => {
  process.env['CALM_APRON_DIST'] ??= join(CHECKOUT, 'dist/test')
  await buildIfChanged()
  mkdirSync(join(CHECKOUT, 'docs/screenshots'), { recursive: true })
  const cluster = await startTestCluster()
  try {
    const cli = join(CHECKOUT, 'node_modules/@playwright/test/cli.js')
    const code = await runShown(process.execPath, [cli, 'test', '--config', 'e2e/pictures.config.ts'], {
      cwd: CHECKOUT,
    })
    if (code !== 0) process.exitCode = code
  } finally {
    cluster.stop()
  }
})
