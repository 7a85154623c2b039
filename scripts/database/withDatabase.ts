import type { StartSettings } from '../startSettings.ts'
import { type Cluster, startCluster } from './cluster.ts'
import { type DatabaseUrls, ensureDatabase } from './roles.ts'

export const DATABASE = 'calm_apron'

/**
 * Runs `work` with the database that `npm start` would use with these settings. The private one is started for it, and
 * stopped again unless it was up before.
 */
export async function withDatabase<T>(
  { outside, dataFolder }: Pick<StartSettings, 'outside' | 'dataFolder'>,
  work: (urls: DatabaseUrls, cluster: Cluster | null) => Promise<T>,
): Promise<T> {
  if (outside) return work(outside, null)
  const cluster = await startCluster(dataFolder)
  try {
    return await work(await ensureDatabase(cluster, dataFolder, DATABASE), cluster)
  } finally {
    if (!cluster.wasRunning) cluster.stop()
  }
}
