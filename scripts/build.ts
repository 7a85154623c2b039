import { runMain } from './machine/plainFailure.ts'
import { buildIfChanged } from './building/build.ts'

await runMain(async () => {
  await buildIfChanged()
})
