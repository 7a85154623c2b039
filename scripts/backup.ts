import { join, resolve } from 'node:path'
import { dumpName } from './backing/dumpName.ts'
import { makeBackup } from './backing/makeBackup.ts'
import { withDatabase } from './database/withDatabase.ts'
import { CHECKOUT } from './machine/checkout.ts'
import { PlainFailure, runMain } from './machine/plainFailure.ts'
import { readStartSettings } from './startSettings.ts'

// Usage: npm run backup [-- file]; of the database that `npm start` would use with the same settings, running or not.
await runMain(async () => {
  const settings = readStartSettings(process.env, join(CHECKOUT, 'data'))
  const file = resolve(process.argv[3] ?? join(settings.dataFolder, 'backups', dumpName(new Date())))
  await withDatabase(settings, async ({ ownerUrl }) => {
    if (ownerUrl === '')
      throw new PlainFailure('A backup is made by the owner: give DATABASE_OWNER_URL beside DATABASE_URL.')
    const { rows } = await makeBackup(ownerUrl, file)
    const count = Object.values(rows).reduce((sum, each) => sum + each, 0)
    console.log(
      `Backed up ${count} rows of ${Object.keys(rows).length} tables, and restored on trial with the same numbers:\n${file}\n${file}.json\nBoth hold what the database holds, names too: keep them as safe, and on another machine.`,
    )
  })
})
