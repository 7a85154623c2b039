import { join } from 'node:path'
import { buildIfChanged } from '../building/build.ts'
import { CHECKOUT } from '../machine/checkout.ts'
import { startTestCluster } from './testCluster.ts'

const INTERRUPTED = 130

/**
 * Builds into the tests' own folder and runs `work` beside a test cluster, which is gone afterwards however it ends.
 * @param hasHalfYear whether half a year lies behind its demo; stories keep a small one
 */
export async function withTestCluster<T>(work: () => Promise<T>, hasHalfYear = false): Promise<T> {
  process.env['CALM_APRON_DIST'] ??= join(CHECKOUT, 'dist/test')
  await buildIfChanged()
  const cluster = await startTestCluster(hasHalfYear)
  const stopAtOnce = () => {
    cluster.stop()
    process.exit(INTERRUPTED)
  }
  process.once('SIGINT', stopAtOnce)
  process.once('SIGTERM', stopAtOnce)
  try {
    return await work()
  } finally {
    cluster.stop()
    process.off('SIGINT', stopAtOnce)
    process.off('SIGTERM', stopAtOnce)
  }
}
