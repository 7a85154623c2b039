import { join, resolve } from 'node:path'
import { dumpName } from './backing/dumpName.ts'
import { makeBackup } from './backing/makeBackup.ts'
import { restoreBackup } from './backing/restoreBackup.ts'
import { buildIfChanged } from './building/build.ts'
import { asTheOnlyStart } from './database/oneStart.ts'
import type { DatabaseUrls } from './database/roles.ts'
import { withDatabase } from './database/withDatabase.ts'
import { CHECKOUT } from './machine/checkout.ts'
import { PlainFailure, runMain } from './machine/plainFailure.ts'
import { migrate } from './serving.ts'
import { readStartSettings } from './startSettings.ts'

const STOP_FIRST = 'Calm Apron is running on this data. Stop it first, then restore.'

// Usage: npm run restore -- file; into the database that `npm start` would use with the same settings.
await runMain(async () => {
  const settings = readStartSettings(process.env, join(CHECKOUT, 'data'))
  const [, , , given] = process.argv
  if (given === undefined) throw new PlainFailure('Say which backup: npm run restore -- /path/to/file.dump')
  const file = resolve(given)
  await buildIfChanged()

  async function restore(urls: DatabaseUrls): Promise<void> {
    if (urls.ownerUrl === '')
      throw new PlainFailure(
        'A backup is restored by the owner: give DATABASE_OWNER_URL beside DATABASE_URL.',
      )
    // What is replaced is kept, so that a restore of the wrong file can be undone.
    const before = join(settings.dataFolder, 'backups', `before-restore-${dumpName(new Date())}`)
    migrate(urls)
    await makeBackup(urls.ownerUrl, before)
    const { erasedAgain } = await restoreBackup(urls, file)
    console.log(`Restored ${file}.`)
    if (erasedAgain > 0) console.log(`Erased again, because they were erased since: ${erasedAgain}.`)
    console.log(`What was there before is kept in ${before}.`)
  }

  await withDatabase(settings, (urls, cluster) =>
    cluster === null ? restore(urls) : asTheOnlyStart(cluster, STOP_FIRST, () => restore(urls)),
  )
})
