import { runMain } from './machine/plainFailure.ts'
import { runAtLength } from './testing/atLength.ts'
import { killed } from './testing/parts.ts'

// Usage: npm run kill -- 10000; shots are sent while server and database are killed by turns, and counted afterwards.
await runMain(() =>
  runAtLength(
    {
      usual: 10_000,
      least: 1000,
      mend: 'Say how many shots, at least 1000, in digits: npm run kill -- 10000',
    },
    killed,
  ),
)
