import { runMain } from './machine/plainFailure.ts'
import { runAtLength } from './testing/atLength.ts'
import { fuzz } from './testing/parts.ts'

// Usage: npm run fuzz -- 100000
await runMain(() =>
  runAtLength(
    { usual: 20_000, least: 1, mend: 'Say how many requests, in digits: npm run fuzz -- 100000' },
    fuzz,
  ),
)
