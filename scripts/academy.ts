import { join } from 'node:path'
import { buildIfChanged } from './building/build.ts'
import { withDatabase } from './database/withDatabase.ts'
import { addressOf } from './machine/address.ts'
import { CHECKOUT, distFolder } from './machine/checkout.ts'
import { runMain } from './machine/plainFailure.ts'
import { runShown } from './machine/run.ts'
import { migrate } from './serving.ts'
import { readStartSettings } from './startSettings.ts'

// Usage: npm run academy -- new … | let-in …; on the database that `npm start` would use with the same settings.
await runMain(async () => {
  const settings = readStartSettings(process.env, join(CHECKOUT, 'data'))
  await buildIfChanged()
  process.exitCode = await withDatabase(settings, async (urls) => {
    if (urls.ownerUrl !== '') migrate(urls)
    return runShown(process.execPath, [join(distFolder(), 'server/academy.js'), ...process.argv.slice(3)], {
      cwd: CHECKOUT,
      env: { DATABASE_URL: urls.appUrl, PUBLIC_ORIGIN: settings.publicOrigin ?? addressOf(settings) },
    })
  })
})
