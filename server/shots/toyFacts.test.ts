import { execFile } from 'node:child_process'
import { promisify } from 'node:util'

const run = promisify(execFile)

test('a fact that is added to the table, and nowhere else, is kept and told again', async () => {
  const { stdout } = await run(process.execPath, ['--import', 'tsx', 'server/testing/storedToyFacts.ts'])
  const { sent, came } = JSON.parse(stdout) as Record<string, { noted: object }>
  expect(came?.noted).toMatchObject({ toyStatic: false, toyGlow: 'dim', toyHeightMm: 3 })
  expect(came).toEqual(sent)
})
